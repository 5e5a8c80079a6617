<script setup lang="ts">
import { STOP_IDS, STOP_NAMES, stopMark } from '#core/visit/stops'
import { openReactions } from '#core/screening/products/reactions'
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
const bundle = computed(() => visit.bundle)
const reacted = computed(() =>
  bundle.value ? openReactions(bundle.value.reactions, bundle.value.patchTests) : [],
)
const about = computed(() => {
  const own = bundle.value
  if (!own) return ''
  const who = [own.client.work, own.client.age].filter(Boolean).join(', ')
  const when = `${clock(own.visit.at, own.practice.timeZone)}, ${own.room.name}`
  const name = own.staff.name.split(' ')[0]
  return [who, when, `${own.visit.minutes} min`, `with ${name}`].filter(Boolean).join(' · ')
})
/** Ready, needs something, or blocks: always in a word beside the name. */
const stops = computed(() =>
  STOP_IDS.map((id) => {
    const { mark, word } = bundle.value
      ? stopMark(id, bundle.value, visit.open, visit.draft.length > 0)
      : { mark: 'none', word: '' }
    const spoken = mark === 'done' ? 'ready' : word || 'open'
    return { id, name: STOP_NAMES[id], mark, word, spoken }
  }),
)
</script>

<template>
  <div class="visit">
    <p v-if="error" role="alert" class="tag stop ma-6">{{ sayProblem(error) }}</p>
    <template v-if="bundle">
      <header v-if="stop !== 'treat'" class="head noprint">
        <div class="between top" :class="{ tools: stop === 'plan' }">
          <div class="row who">
            <h1 class="name">
              <NuxtLink :to="`/people/${bundle.client.id}`">{{ bundle.client.name }}</NuxtLink>
            </h1>
            <span class="soft">{{ about }}</span>
            <AlertTags :answers="bundle.answers" :reactions="reacted" />
          </div>
          <div id="stop-action" class="row" />
        </div>
        <div class="between tight" :class="{ tools: stop === 'plan' }">
          <ol class="stops" aria-label="Stops of the visit">
            <li v-for="own in stops" :key="own.id">
              <NuxtLink
                :to="`/visits/${id}/${own.id}`"
                :class="[own.mark, { here: stop === own.id }]"
                :aria-current="stop === own.id ? 'step' : undefined"
                :title="own.word"
                ><i aria-hidden="true" />{{ own.name
                }}<span class="sr">, {{ own.spoken }}</span></NuxtLink
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
.top {
  flex-wrap: nowrap;
  align-items: flex-start;
}
.top .who {
  flex: 1 1 0;
  min-width: 0;
}
.top > :last-child {
  flex: none;
}
@media (max-width: 600px) {
  .top {
    flex-wrap: wrap;
  }
  .top > :last-child {
    flex: 1 1 100%;
    align-items: center;
  }
}
.tight {
  align-items: center;
  gap: 4px 16px;
}
/* Kept free for what comes a moment later, so that nothing moves under the finger. */
.top {
  min-height: 46px;
}
.tight.tools {
  min-height: 48px;
}
.top.tools {
  min-height: 60px;
}
.tools .who {
  gap: 0 14px;
}
.tools .name {
  flex: 0 0 100%;
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
  width: 14px;
  border-top: 2px dotted var(--oak-light);
  margin: 0 6px;
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
@media (forced-colors: active) {
  .stops i {
    forced-color-adjust: none;
  }
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
  .top {
    flex-wrap: wrap;
  }
  .top .who {
    flex: 1 1 100%;
  }
  .top > :last-child {
    flex: 0 1 auto;
  }
  .stops li + li::before {
    width: 12px;
    margin: 0 5px;
  }
}
</style>
