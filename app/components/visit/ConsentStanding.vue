<script setup lang="ts">
import { CONSENTS, type ConsentId } from '#core/catalogue/consultation/consents'
import { consentsFor, type Standing } from '#core/screening/consent/consent'
import { dayAndClock, dayWords, isoDayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** What is signed and until when; the client may take any of it back. */
const props = defineProps<{ stands: readonly Standing[]; mayChange: boolean }>()
const emit = defineEmits<{ again: [] }>()
const visit = useVisit()
const takingBack = ref(false)
const trouble = ref('')
const zone = computed(() => visit.bundle?.practice.timeZone ?? 'UTC')
const signed = computed(() => {
  const consent = visit.bundle?.consent
  if (!consent) return ''
  const how = consent.method === 'pen' ? 'Signed by pen' : `Typed by ${consent.name}`
  const guardian = consent.guardian ? ', as guardian' : ''
  return `${how}, ${dayAndClock(consent.at, zone.value)}${guardian}`
})
const missing = computed(() =>
  consentsFor(visit.draft)
    .filter((kind) => !props.stands.some((stand) => stand.kind === kind))
    .map((kind) => CONSENTS[kind].name.toLowerCase())
    .join(', '),
)
const until = (stand: Standing) =>
  `signed ${dayWords(stand.at, zone.value)}, valid until ${isoDayWords(stand.until)}`
async function takeBack(kind: ConsentId) {
  trouble.value = ''
  try {
    await visit.send('/withdrawals', 'POST', { id: crypto.randomUUID(), kinds: [kind] })
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <div class="stack">
    <p v-if="signed" class="tag good">{{ signed }}</p>
    <ul class="plainlist">
      <li v-for="stand in stands" :key="stand.kind" class="between kind">
        <span>
          <b>{{ CONSENTS[stand.kind].name }}</b>{{ ' ' }}
          <span class="soft figures">{{ until(stand) }}</span>
        </span>
        <VBtn
          v-if="takingBack && visit.bundle?.may.write"
          size="small"
          height="38"
          variant="outlined"
          color="error"
          @click="takeBack(stand.kind)"
          >Withdraw<span class="sr"> {{ CONSENTS[stand.kind].name }}</span></VBtn
        >
      </li>
    </ul>
    <p v-if="missing" class="tag watch">The plan also asks for: {{ missing }}</p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-if="mayChange" class="row">
      <VBtn variant="text" @click="emit('again')">Sign again</VBtn>
      <VBtn variant="text" @click="takingBack = !takingBack">
        {{ takingBack ? 'Cancel' : 'Withdraw consent' }}
      </VBtn>
    </div>
  </div>
</template>

<style scoped>
.kind {
  align-items: center;
  padding: 3px 0;
}

.kind {
  gap: 8px;
}
.kind .figures {
  margin-left: 8px;
}
</style>
