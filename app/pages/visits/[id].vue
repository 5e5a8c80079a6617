<script setup lang="ts">
import { FINDINGS, FINDING_ORDER } from '#core/catalogue/consultation/findings'
import { clock } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const route = useRoute()
const visit = useVisit()
const id = computed(() => String(route.params.id))
const { error } = await useAsyncData(
  () => `visit-${id.value}`,
  async () => {
    await visit.load(id.value)
    return true
  },
  { watch: [id] },
)
useHead({ title: () => `${visit.bundle?.client.name ?? 'Visit'} · Oak Basin` })
const stop = computed(() => route.path.split('/').pop() ?? '')
const STOPS = [
  ['ask', 'Ask'],
  ['read', 'Read'],
  ['plan', 'Plan'],
  ['set', 'Set'],
  ['treat', 'Treat'],
  ['close', 'Close'],
] as const
const b = computed(() => visit.bundle)
/** Ready, needs something, or blocks: always in a word beside the name. */
const state = (key: string): { mark: 'done' | 'open' | 'none'; word: string } => {
  const v = b.value
  if (!v) return { mark: 'none', word: '' }
  const begun = v.visit.status !== 'booked'
  const needs = visit.open.filter((o) => o.stop === key)
  if (key === 'ask' || key === 'read' || key === 'plan') {
    if (begun) return { mark: 'done', word: 'ready' }
    const started =
      key === 'ask'
        ? v.answered
        : key === 'read'
          ? v.readings.madeUp !== null
          : visit.draft.length > 0
    return needs.length === 0
      ? { mark: 'done', word: 'ready' }
      : started
        ? { mark: 'open', word: needs[0]?.text ?? '' }
        : { mark: 'none', word: needs[0]?.text ?? '' }
  }
  if (key === 'set') return { mark: begun ? 'done' : 'none', word: '' }
  if (key === 'treat')
    return {
      mark:
        v.visit.status === 'closing' || v.visit.status === 'sealed'
          ? 'done'
          : v.visit.status === 'treating'
            ? 'open'
            : 'none',
      word: '',
    }
  return {
    mark: v.visit.status === 'sealed' ? 'done' : 'none',
    word: v.visit.status === 'sealed' ? 'sealed' : '',
  }
}
const alerts = computed(() =>
  FINDING_ORDER.flatMap((f) => {
    const a = b.value?.answers[f]
    const word = FINDINGS[f].alert
    return a && a.say === 'yes' && word
      ? [f === 'allergy' ? `allergy: ${(a.substances ?? []).join(', ') || 'not named'}` : word]
      : []
  }),
)
</script>

<template>
  <div class="visit">
    <p v-if="error" role="alert" class="tag stop ma-6">{{ sayProblem(error) }}</p>
    <template v-if="b">
      <header v-if="stop !== 'treat'" class="head noprint">
        <div class="between">
          <div class="row who">
            <h1 class="name">
              <NuxtLink :to="`/people/${b.client.id}`">{{ b.client.name }}</NuxtLink>
            </h1>
            <span class="soft"
              >{{ [b.client.work, b.client.age].filter(Boolean).join(', ') }} ·
              {{ clock(b.visit.startsAt, b.practice.timeZone) }}, {{ b.room.name }} ·
              {{ b.visit.minutes }} min · with {{ b.staff.name.split(' ')[0] }}</span
            ><span v-for="a in alerts" :key="a" class="tag watch">{{ a }}</span>
          </div>
          <div id="stop-action" class="row" />
        </div>
        <div class="between tight">
          <ol class="stops" aria-label="Stops of the visit">
            <li v-for="[key, name] in STOPS" :key="key">
              <NuxtLink
                :to="`/visits/${id}/${key}`"
                :class="[state(key).mark, { here: stop === key }]"
                :aria-current="stop === key ? 'step' : undefined"
                :title="state(key).word"
                ><i aria-hidden="true" />{{ name
                }}<span class="sr"
                  >, {{ state(key).mark === 'done' ? 'ready' : state(key).word || 'open' }}</span
                ></NuxtLink
              >
            </li>
          </ol>
          <div id="stop-tools" class="row" />
        </div>
      </header>
      <NuxtPage />
    </template>
  </div>
</template>

<style scoped>
.head {
  padding: 12px 24px 6px;
}
.tight {
  align-items: center;
  gap: 4px 16px;
}
.who {
  gap: 6px 14px;
}
.name {
  font-size: 1.7rem;
  font-weight: 650;
  margin: 0;
}
.name a {
  color: var(--ink);
  text-decoration: none;
}
.name a:hover {
  text-decoration: underline;
}
.stops {
  list-style: none;
  display: flex;
  padding: 0;
  margin: 2px 0 0;
  flex-wrap: wrap;
}
.stops li {
  display: flex;
  align-items: center;
}
.stops li + li::before {
  content: '';
  width: 26px;
  border-top: 2px dotted var(--oak-light);
  margin: 0 10px;
}
.stops a {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--ink-soft);
  text-decoration: none;
  min-height: 36px;
  border-radius: 8px;
  padding: 0 4px;
}
.stops i {
  width: 24px;
  height: 15px;
  border-radius: 50%;
  border: 2px solid var(--oak-grain);
  background: var(--paper);
}
.stops .done i {
  background: var(--oak-grain);
}
.stops .open i {
  background: linear-gradient(to top, var(--oak-grain) 50%, var(--paper) 50%);
}
.stops .here {
  color: var(--basin);
  font-weight: 700;
}
.stops .here i {
  border-color: var(--basin);
  width: 28px;
  height: 18px;
}
.stops .here.done i {
  background: var(--basin);
}
.stops .here.open i {
  background: linear-gradient(to top, var(--basin) 50%, var(--paper) 50%);
}
@media (max-width: 900px) {
  .stops li + li::before {
    width: 12px;
    margin: 0 5px;
  }
}
</style>
