<script setup lang="ts">
import { CONSENTS } from '#core/catalogue/consultation/consents'
import { FINDINGS, FINDING_ORDER } from '#core/catalogue/consultation/findings'
import { CONCERN_NAMES } from '#core/catalogue/kinds'
import { ZONES, ZONE_IDS } from '#core/face/zones'
import { READING_IDS, READING_NAMES } from '#core/skin/readings'
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
/** Each zone with what was read before and on the bare skin: "2" twice alike, "1 → 2" where it differed. */
const readings = computed(() => {
  const { madeUp, bare } = props.bundle.readings
  return ZONE_IDS.flatMap((zone) => {
    const [before, after] = [madeUp?.[zone], bare?.[zone]]
    if (!before && !after) return []
    const cells = READING_IDS.map((id) => {
      const [one, other] = [before?.[id], after?.[id]]
      if (one === undefined && other === undefined) return '–'
      if (other === undefined || one === other) return String(one)
      return one === undefined ? String(other) : `${one} → ${other}`
    })
    return [{ name: ZONES[zone].name, cells, as: cells.join('|') }]
  })
})
/** Zones that read alike stand in one line. */
const alike = computed(() =>
  [...new Set(readings.value.map((own) => own.as))].map((as) => {
    const same = readings.value.filter((own) => own.as === as)
    if (same.length === ZONE_IDS.length)
      return { as, names: 'Every zone', cells: same[0]?.cells ?? [] }
    const names = same.map(({ name }, at) => (at === 0 ? name : name.toLowerCase())).join(', ')
    return { as, names, cells: same[0]?.cells ?? [] }
  }),
)
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
    <VTable v-if="readings.length" v-scrolls density="compact" class="plain readings">
      <thead>
        <tr>
          <th>Zone</th>
          <th v-for="id in READING_IDS" :key="id">{{ READING_NAMES[id] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="own in alike" :key="own.as">
          <td>{{ own.names }}</td>
          <td v-for="(cell, at) in own.cells" :key="at" class="figures">{{ cell }}</td>
        </tr>
      </tbody>
    </VTable>
    <p v-else>Not read.</p>
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
.readings {
  font-size: 0.8125rem;
}
</style>
