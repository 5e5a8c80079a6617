<script setup lang="ts">
import { CONSENTS } from '#core/catalogue/consultation/consents'
import { FINDINGS, FINDING_ORDER } from '#core/catalogue/consultation/findings'
import { CONCERN_NAMES } from '#core/catalogue/kinds'
import { standingHere } from '#core/visit/ready'
import type { AftercareOnRecord } from '#core/visit/record'
import type { VisitBundle } from '#core/visit/bundle'
import { isoDayWords } from '~/composables/dates'

/** What the record holds beside the steps: aims, answers, both readings, consents, what went home. */
const props = defineProps<{ bundle: VisitBundle; sentHome: readonly AftercareOnRecord[] }>()
const aims = computed(
  () => props.bundle.visit.aims.map((aim) => CONCERN_NAMES[aim]).join(', ') || 'none named',
)
const answers = computed(() => {
  const told = (say: 'yes' | 'unsure') =>
    FINDING_ORDER.filter((id) => props.bundle.answers[id]?.say === say).map((id) => {
      const { date, substances } = props.bundle.answers[id] ?? {}
      const more = [date ? isoDayWords(date) : '', ...(substances ?? [])].filter(Boolean)
      return `${FINDINGS[id].short}${more.length ? ` (${more.join(', ')})` : ''}`
    })
  const no = FINDING_ORDER.filter((id) => props.bundle.answers[id]?.say === 'no').length
  return [
    `Yes: ${told('yes').join(', ') || 'none'}.`,
    `Unsure: ${told('unsure').join(', ') || 'none'}.`,
    `No to ${no} of ${FINDING_ORDER.length} questions.`,
  ]
})
const consents = computed(() =>
  standingHere(props.bundle).map(
    ({ kind, until }) => `${CONSENTS[kind].name}, until ${isoDayWords(until)}`,
  ),
)
const signed = computed(() => {
  const { consent } = props.bundle
  if (!consent) return 'Not signed at this visit.'
  const by = consent.method === 'pen' ? 'Signed by pen' : `Typed: ${consent.name ?? ''}`
  return consent.guardian ? `${by}, by a guardian.` : `${by}.`
})
/** On paper all of it stands open. */
const open = ref(false)
const unfold = () => {
  open.value = true
}
onMounted(() => addEventListener('beforeprint', unfold))
onBeforeUnmount(() => removeEventListener('beforeprint', unfold))
const home = computed(() => props.sentHome.map(({ sentence }) => sentence).join(' '))
</script>

<template>
  <details class="more" :open="open">
    <summary>Aims, answers, readings, consents</summary>
    <h3>What for</h3>
    <p>{{ aims }}</p>
    <h3>Answers</h3>
    <p v-for="line in answers" :key="line">{{ line }}</p>
    <p v-if="bundle.client.medicines">Medicines: {{ bundle.client.medicines }}</p>
    <h3>Skin, before and bare</h3>
    <ReadingsTable :made-up="bundle.readings.madeUp" :bare="bundle.readings.bare" />
    <h3>Consents</h3>
    <p v-for="line in consents" :key="line">{{ line }}</p>
    <p>{{ signed }}</p>
    <h3>Sent home</h3>
    <p>{{ home }}</p>
  </details>
</template>

<style scoped>
.more {
  margin-top: 12px;
}
summary {
  font-weight: 650;
}
h3 {
  margin-top: 8px;
}
</style>
