<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import {
  FINDINGS,
  FINDING_ORDER,
  TOPIC_IDS,
  type FindingId,
  type TopicId,
} from '#core/catalogue/consultation/findings'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { carriable, carriedOver, noToTheRest, openIn } from '#core/screening/asking/asking'
import { todayOf } from '#core/visit/today'
import { dayAndClock } from '~/composables/dates'
import { useAttempt } from '~/composables/attempt'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const bundle = computed(() => visit.bundle)
const before = computed(() => bundle.value?.previousAnswers ?? null)
const answers = ref<Answers>({ ...visit.bundle?.answers })
let medicinesSeen = visit.bundle?.client.medicines ?? ''
const medicines = ref(medicinesSeen)
const saving = ref<'idle' | 'saving' | 'kept'>('idle')
const { trouble, attempt } = useAttempt()
const changed = ref(false)
/** Until the treatment is over: what is told in the room bars the step at hand there. */
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'answers'),
)
const today = computed(() => bundle.value && todayOf(bundle.value, { answers: answers.value }))
const verdict = computed(() => today.value?.asked ?? null)
const rests = computed(() => today.value?.earlier ?? [])
const seenBefore = computed(
  () =>
    may.value && bundle.value?.answered === false && carriable(answers.value, before.value).length,
)
const keptWords = computed(() => {
  const [last] = bundle.value?.answerVersions ?? []
  if (!last || !bundle.value) return ''
  const { length } = bundle.value.answerVersions
  const times = length === 1 ? '' : `${length} times, last `
  const when = dayAndClock(last.at, bundle.value.practice.timeZone)
  return `Answers saved ${times}${when} by ${last.by}; every version is kept.`
})
const draft = useDraft({
  key: () => `ask-${bundle.value?.visit.id ?? ''}`,
  value: () => ({ answers: answers.value, medicines: medicines.value }),
  restore: (kept) => {
    answers.value = kept.answers
    medicines.value = kept.medicines
  },
  changed: () => {
    changed.value = true
    saving.value = 'idle'
  },
})
onMounted(draft.start)

/** A topic folds by itself once all of it is answered, but not under the hand that answers it. */
const opened = ref<Partial<Record<TopicId, boolean>>>({})
const touched = ref<TopicId | null>(null)
const isOpen = (topic: TopicId) =>
  opened.value[topic] ?? (openIn(topic, answers.value) > 0 || touched.value === topic)
const fold = (topic: TopicId) => {
  opened.value = { ...opened.value, [topic]: !isOpen(topic) }
}
const QUESTIONS = FINDING_ORDER.map((finding) => ({
  value: finding,
  title: `${FINDINGS[finding].short}: ${FINDINGS[finding].question}`,
}))
const looked = ref<FindingId | null>(null)
async function find(finding: FindingId | null) {
  if (!finding) return
  opened.value = { ...opened.value, [FINDINGS[finding].topic]: true }
  await nextTick()
  const row = document.getElementById(`q-${finding}`)
  row?.scrollIntoView({ block: 'center' })
  row?.parentElement?.querySelector('input')?.focus()
  looked.value = null
}
function set(finding: FindingId, answer: Answer) {
  touched.value = FINDINGS[finding].topic
  answers.value = { ...answers.value, [finding]: answer }
}
function sweep(topic: TopicId) {
  touched.value = null
  answers.value = noToTheRest(topic, answers.value, before.value)
}
const carry = () => {
  answers.value = carriedOver(answers.value, before.value)
}
const setMedicines = (words: string) => {
  medicines.value = words
}

async function save() {
  saving.value = 'saving'
  await attempt(async () => {
    await visit.send('/answers', 'PUT', {
      id: crypto.randomUUID(),
      answers: answers.value,
      medicines: medicines.value,
      medicinesSeen,
    })
    await draft.drop()
    changed.value = false
    await visit.reload()
    medicinesSeen = visit.bundle?.client.medicines ?? ''
    medicines.value = medicinesSeen
  })
  saving.value = trouble.value ? 'idle' : 'kept'
}
/** Looked up or told while the treatment runs: the way goes back into the room. */
const inTheRoom = computed(() => bundle.value?.visit.status === 'treating')
const onwardWords = computed(() => {
  const kept = may.value && changed.value
  if (inTheRoom.value) return kept ? 'Save answers, back to the room' : 'Back to the room'
  return may.value ? 'Save answers, read the skin' : 'Read the skin'
})
async function onward() {
  if (may.value && (changed.value || !bundle.value?.answered)) await save()
  const next = inTheRoom.value ? 'treat' : 'read'
  if (!trouble.value) await navigateTo(`/visits/${bundle.value?.visit.id ?? ''}/${next}`)
}
</script>

<template>
  <div v-if="bundle" class="ask">
    <StopAction>
      <span v-if="saving === 'kept'" class="soft">saved</span>
      <VBtn color="primary" :loading="saving === 'saving'" @click="onward">
        {{ onwardWords }}
      </VBtn>
    </StopAction>
    <div class="talk stack">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <LastTimeLine />
      <ClientFormPanel
        v-if="may && bundle.fromClient"
        :answers="answers"
        :medicines="medicines"
        @take="set"
        @medicines="setMedicines"
      />
      <section v-if="seenBefore" class="panel between">
        <div>
          <h2>Seen before</h2>
          <p class="soft">Copy health and skin answers; ask about today and recent weeks again.</p>
        </div>
        <VBtn variant="outlined" @click="carry">Same as last time</VBtn>
      </section>
      <AimsPanel
        :aims="bundle.visit.aims"
        :make-up="bundle.visit.makeUp"
        :named="bundle.visit.named"
        :evening="bundle.visit.evening"
        :may="may"
        @change="(patch) => attempt(() => visit.change(patch))"
      />
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
      <TopicSection
        v-for="topic in TOPIC_IDS"
        :key="topic"
        :topic="topic"
        :answers="answers"
        :before="before"
        :open="isOpen(topic)"
        :may="may"
        :today="bundle.today"
        @answer="set"
        @sweep="sweep(topic)"
        @fold="fold(topic)"
      />
      <p v-if="keptWords" class="soft figures">{{ keptWords }}</p>
      <section class="panel">
        <h2>Medicines</h2>
        <VTextarea
          v-model="medicines"
          label="Medicines, in the client's words"
          :disabled="!may"
          :maxlength="2000"
        />
        <p class="soft">
          Medicines not in our list are noted and must be asked about; they never count as a no.
        </p>
      </section>
      <PreferencesPanel />
      <HomeAskPanel :answers="answers" />
      <ClientFormPanel
        v-if="may && !bundle.fromClient"
        :answers="answers"
        :medicines="medicines"
        @take="set"
        @medicines="setMedicines"
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
