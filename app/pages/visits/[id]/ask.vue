<script setup lang="ts">
import { CONCERN_IDS, CONCERN_NAMES, type ConcernId } from '#core/catalogue/kinds'
import {
  FINDINGS,
  FINDING_ORDER,
  TOPIC_IDS,
  TOPIC_NAMES,
  type FindingId,
  type TopicId,
} from '#core/catalogue/consultation/findings'
import type { Answer, Answers } from '#core/screening/answers'
import { restsOf, screenHere } from '#core/visit/planInput'
import { dayAndClock } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const b = computed(() => visit.bundle)
const answers = ref<Answers>({ ...visit.bundle?.answers })
const medicines = ref(visit.bundle?.client.medicines ?? '')
const saving = ref<'idle' | 'saving' | 'kept'>('idle')
const trouble = ref('')
const may = computed(() => b.value?.may.write === true && b.value.visit.status === 'booked')
const verdict = computed(() => (b.value ? screenHere(b.value, answers.value) : null))
const rests = computed(() => (b.value ? restsOf(b.value) : []))
const changed = ref(false)
/** A topic folds by itself once all of it is answered; what was not a no stays in sight. */
const opened = ref<Partial<Record<TopicId, boolean>>>({})
const isOpen = (t: TopicId) => opened.value[t] ?? (left(t) > 0 || touched.value === t)
const touched = ref<TopicId | null>(null)
const shown = (t: TopicId) => of(t).filter((f) => isOpen(t) || answers.value[f]?.say !== 'no')
const looked = ref<FindingId | null>(null)
const QUESTIONS = FINDING_ORDER.map((f) => ({
  value: f,
  title: `${FINDINGS[f].short}: ${FINDINGS[f].question}`,
}))
async function find(f: FindingId | null) {
  if (!f) return
  opened.value = { ...opened.value, [FINDINGS[f].topic]: true }
  await nextTick()
  const row = document.getElementById(`q-${f}`)
  row?.scrollIntoView({ block: 'center' })
  row?.parentElement?.querySelector('input')?.focus()
  looked.value = null
}

const draft = useDraft({
  key: () => `ask-${b.value?.visit.id ?? ''}`,
  value: () => ({ answers: answers.value, medicines: medicines.value }),
  restore: (d) => {
    answers.value = d.answers
    medicines.value = d.medicines
  },
  changed: () => {
    changed.value = true
    saving.value = 'idle'
  },
})
onMounted(draft.start)
const of = (topic: TopicId) => FINDING_ORDER.filter((f) => FINDINGS[f].topic === topic)
const left = (topic: TopicId) => of(topic).filter((f) => !answers.value[f]).length
const set = (id: FindingId, answer: Answer) => {
  touched.value = FINDINGS[id].topic
  answers.value = { ...answers.value, [id]: answer }
}
const was = (f: FindingId) => b.value?.previousAnswers?.[f]
/** What was a yes or unsure last time is asked by itself, never swept into a no. */
const sweepable = (topic: TopicId) =>
  of(topic).filter((f) => !answers.value[f] && (was(f)?.say ?? 'no') === 'no')
function noToRest(topic: TopicId) {
  touched.value = null
  answers.value = {
    ...answers.value,
    ...Object.fromEntries(sweepable(topic).map((f) => [f, { say: 'no' }])),
  }
}
/** Health and skin are taken over and can be changed; today and lately are asked anew. */
const carry = () => {
  answers.value = {
    ...Object.fromEntries(
      [...of('health'), ...of('skin')].flatMap((f) => {
        const a = was(f)
        return a ? [[f, a]] : []
      }),
    ),
    ...answers.value,
  }
}
const carriable = computed(
  () => [...of('health'), ...of('skin')].filter((f) => was(f) && !answers.value[f]).length,
)
const aims = computed(() => b.value?.visit.aims ?? [])
async function aim(id: ConcernId) {
  const next = aims.value.includes(id)
    ? aims.value.filter((a) => a !== id)
    : [...aims.value, id].slice(0, 5)
  await attempt(() => visit.change({ aims: next }))
}

async function attempt(work: () => Promise<unknown>) {
  trouble.value = ''
  try {
    await work()
  } catch (e) {
    trouble.value = sayProblem(e)
  }
}
async function save() {
  saving.value = 'saving'
  await attempt(async () => {
    await visit.send('/answers', 'PUT', {
      id: crypto.randomUUID(),
      answers: answers.value,
      medicines: medicines.value,
    })
    await draft.drop()
    changed.value = false
    await visit.reload()
  })
  saving.value = trouble.value ? 'idle' : 'kept'
}
async function onward() {
  if (changed.value || !b.value?.answered) await save()
  if (!trouble.value) await navigateTo(`/visits/${b.value?.visit.id ?? ''}/read`)
}
</script>

<template>
  <div v-if="b" class="ask">
    <StopAction
      ><span v-if="saving === 'kept'" class="soft">kept</span
      ><VBtn color="primary" :loading="saving === 'saving'" @click="onward">{{
        may ? 'Keep the answers, read the skin' : 'Read the skin'
      }}</VBtn></StopAction
    >
    <div class="talk stack">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <ClientFormPanel
        v-if="may && b.fromClient"
        :answers="answers"
        :medicines="medicines"
        @take="set"
        @medicines="
          (m: string) => {
            medicines = m
          }
        "
      />
      <section
        v-if="b.previousAnswers && !b.answered && may && carriable > 0"
        class="panel between"
      >
        <div>
          <h2>Seen before</h2>
          <p class="soft">Take over health and skin; today and lately are asked anew.</p>
        </div>
        <VBtn variant="outlined" @click="carry">Same as last time</VBtn>
      </section>
      <section class="panel">
        <h2>What for today</h2>
        <div class="row aims">
          <button
            v-for="c in CONCERN_IDS"
            :key="c"
            type="button"
            class="chip"
            :class="{ on: aims.includes(c) }"
            :aria-pressed="aims.includes(c)"
            :disabled="!may"
            @click="aim(c)"
          >
            <b v-if="aims.includes(c)" class="figures">{{ aims.indexOf(c) + 1 }}</b>{{
              CONCERN_NAMES[c]
            }}
          </button>
        </div>
        <div class="row mt-2">
          <VSwitch
            :model-value="b.visit.madeUp"
            label="Made-up now"
            color="primary"
            hide-details
            density="compact"
            :disabled="!may"
            @update:model-value="(v) => attempt(() => visit.change({ madeUp: v === true }))"
          /><VSwitch
            :model-value="b.visit.evening"
            label="Goes home in the dark"
            color="primary"
            hide-details
            density="compact"
            :disabled="!may"
            @update:model-value="(v) => attempt(() => visit.change({ evening: v === true }))"
          />
        </div>
      </section>
      <VAutocomplete
        :model-value="looked"
        :items="QUESTIONS"
        label="Find a question"
        placeholder="asthma, filler, retinoid …"
        density="comfortable"
        hide-details
        auto-select-first
        @update:model-value="find"
      />
      <section v-for="t in TOPIC_IDS" :key="t" class="panel">
        <div class="between">
          <h2>
            <button
              type="button"
              class="fold"
              :aria-expanded="isOpen(t)"
              @click="opened = { ...opened, [t]: !isOpen(t) }"
            >
              {{ TOPIC_NAMES[t] }}
              <span class="soft count">{{ left(t) ? `${left(t)} open` : 'all answered' }}</span>
            </button>
          </h2>
          <VBtn
            v-if="sweepable(t).length && may"
            variant="outlined"
            size="small"
            height="36"
            @click="noToRest(t)"
            >No to the rest</VBtn
          >
        </div>
        <ul v-if="shown(t).length" class="plainlist asked">
          <QuestionRow
            v-for="f in shown(t)"
            :key="f"
            :finding="FINDINGS[f]"
            :answer="answers[f]"
            :before="b.previousAnswers?.[f]"
            :disabled="!may"
            :today="b.today"
            @answer="(a: Answer) => set(f, a)"
          />
        </ul>
      </section>
      <p v-if="b.answerVersions[0]" class="soft figures">
        Answers kept
        {{ b.answerVersions.length === 1 ? '' : `${b.answerVersions.length} times, last `
        }}{{ dayAndClock(b.answerVersions[0].at, b.practice.timeZone) }} by
        {{ b.answerVersions[0].by }}; every version stays.
      </p>
      <section class="panel">
        <h2>Medicines</h2>
        <VTextarea
          v-model="medicines"
          label="Medicines, in the client's words"
          :disabled="!may"
          :maxlength="2000"
        />
        <p class="soft">
          A medicine no row knows is written down and asked about; it never counts as a no.
        </p>
      </section>
      <PreferencesPanel />
      <ClientFormPanel
        v-if="may && !b.fromClient"
        :answers="answers"
        :medicines="medicines"
        @take="set"
        @medicines="
          (m: string) => {
            medicines = m
          }
        "
      />
      <PatchPanel />
      <ConsentPanel :bars="[...(verdict?.bars ?? []), ...rests]" />
    </div>
    <aside class="verdict" aria-live="polite" aria-label="Verdict">
      <VerdictPanel
        v-if="verdict"
        :verdict="verdict"
        :answers="answers"
        :rests="rests"
        :disabled="!may"
      />
    </aside>
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 20px;
  padding: 8px 24px 40px;
  align-items: start;
}
.verdict {
  position: sticky;
  top: 12px;
  max-height: calc(100dvh - 24px);
  overflow-y: auto;
}
.aims {
  gap: 8px;
}
.chip {
  border: 1.5px solid var(--oak-light);
  border-radius: 20px;
  padding: 6px 14px;
  min-height: 40px;
  background: var(--paper);
  cursor: pointer;
  display: inline-flex;
  gap: 8px;
  align-items: center;
  color: var(--ink);
}
.chip.on {
  background: var(--basin);
  border-color: var(--basin);
  color: var(--chalk);
}
.asked {
  margin-top: 10px;
}
.fold {
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
  cursor: pointer;
  color: inherit;
  text-align: left;
}
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
@media (max-width: 1000px) {
  .ask {
    grid-template-columns: minmax(0, 1fr);
  }
  .verdict {
    position: static;
    order: -1;
    max-height: none;
  }
}
</style>
