<script setup lang="ts">
import type SignaturePad from 'signature_pad'
import { CONSENT_SENTENCE, CONSENTS, type ConsentId } from '#core/catalogue/consultation/consents'
import { barredConsents, needsGuardian, offeredConsents } from '#core/screening/consent/consent'
import type { Bar } from '#core/screening/verdict/verdict'
import { fieldProblem, sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'
import { DESK } from '~/theme/colours'

/**
 * Nothing is ticked beforehand: a box that stands ticked is nobody's consent. What may be done
 * nowhere today is not asked for.
 */
const props = defineProps<{ bars: readonly Bar[] }>()
const emit = defineEmits<{ signed: [] }>()
const visit = useVisit()
const method = ref<'pen' | 'typed'>('typed')
const name = ref('')
const confirmed = ref(false)
const canvas = ref<HTMLCanvasElement | null>(null)
const trouble = ref<unknown>(null)
const guardian = computed(() => needsGuardian(visit.bundle?.client.age ?? null))
const offered = computed(() => offeredConsents(visit.bundle?.staff.licences ?? [], visit.draft))
const barred = computed(() => barredConsents(props.bars))
const open = computed(() => offered.value.filter((kind) => barred.value[kind] === undefined))
const ticked = ref<ConsentId[]>([])
const kinds = computed(() => ticked.value.filter((kind) => open.value.includes(kind)))
const usual = computed(() => open.value.filter((kind) => !CONSENTS[kind].alone))
const usualLeft = computed(() => usual.value.some((kind) => !kinds.value.includes(kind)))
const usualWords = computed(() => {
  const alone = open.value.filter((kind) => CONSENTS[kind].alone)
  const names = alone.map((kind) => CONSENTS[kind].name.toLowerCase()).join(', ')
  return `All of these${names ? `, but ${names}` : ''}`
})
const nameLabel = computed(() => `${guardian.value ? 'Guardian' : 'Client'}'s full name`)
const said = (kind: ConsentId) =>
  barred.value[kind] === undefined ? CONSENTS[kind].sentence : `Not today: ${barred.value[kind]}`
const troubleWords = computed(() => {
  if (!trouble.value) return ''
  return trouble.value === EMPTY ? 'Nothing is signed yet.' : sayProblem(trouble.value)
})
const EMPTY = new Error('empty')

function tickUsual() {
  ticked.value = [...new Set([...ticked.value, ...usual.value])]
}
function tick(kind: ConsentId) {
  const without = ticked.value.filter((one) => one !== kind)
  ticked.value = without.length < ticked.value.length ? without : [...ticked.value, kind]
}
let pad: SignaturePad | undefined
watch([canvas, method], async () => {
  if (!canvas.value) return
  const { default: Pad } = await import('signature_pad')
  if (canvas.value) pad = new Pad(canvas.value, { penColor: DESK.ink, minWidth: 1, maxWidth: 2.4 })
})
/** The pen's way as one path, to a tenth of a pixel. */
const strokesOf = (signature: SignaturePad) =>
  signature
    .toData()
    .flatMap(({ points }) =>
      points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)},${y.toFixed(1)}`),
    )
    .join('')
async function sign() {
  trouble.value = null
  if (method.value === 'pen' && (!pad || pad.isEmpty())) {
    trouble.value = EMPTY
    return
  }
  const own =
    method.value === 'pen' && pad
      ? { method: 'pen', strokes: strokesOf(pad) }
      : { method: 'typed', name: name.value, confirmed: confirmed.value }
  const common = { id: crypto.randomUUID(), guardian: guardian.value, kinds: kinds.value }
  try {
    await visit.send('/consent', 'POST', { ...common, ...own })
    emit('signed')
    await visit.reload()
  } catch (error) {
    trouble.value = error
  }
}
</script>

<template>
  <p>
    {{ CONSENT_SENTENCE }}
  </p>
  <p v-if="guardian" class="tag watch">Under 16: a guardian signs</p>
  <fieldset class="kinds">
    <legend class="soft">The client agrees to</legend>
    <VCheckbox
      v-for="kind in offered"
      :key="kind"
      :model-value="kinds.includes(kind)"
      :disabled="barred[kind] !== undefined"
      density="compact"
      hide-details
      @update:model-value="tick(kind)"
      ><template #label
        ><span
          ><b>{{ CONSENTS[kind].name }}</b
          >{{ ' ' }}<span class="soft">{{ said(kind) }}</span></span
        ></template
      ></VCheckbox
    >
  </fieldset>
  <div v-if="usualLeft">
    <VBtn variant="outlined" @click="tickUsual">{{ usualWords }}</VBtn>
  </div>
  <p v-for="problem in fieldProblem(trouble, 'kinds')" :key="problem" class="tag stop">
    Choose {{ problem }} to sign for.
  </p>
  <VBtnToggle v-model="method" mandatory color="primary" variant="outlined" density="comfortable">
    <VBtn value="typed">By typed name</VBtn>
    <VBtn value="pen">By pen</VBtn>
  </VBtnToggle>
  <template v-if="method === 'typed'">
    <VTextField v-model="name" :label="nameLabel" :error-messages="fieldProblem(trouble, 'name')" />
    <VCheckbox
      v-model="confirmed"
      label="The client is here and agrees"
      hide-details="auto"
      density="compact"
      :error-messages="fieldProblem(trouble, 'confirmed')"
    />
  </template>
  <div v-else>
    <canvas
      ref="canvas"
      width="520"
      height="140"
      class="pad"
      aria-label="Sign here by pen or finger"
    />
    <VBtn variant="text" size="small" @click="pad?.clear()">Clear</VBtn>
  </div>
  <p v-if="troubleWords" role="alert" class="tag stop">{{ troubleWords }}</p>
  <div><VBtn color="secondary" @click="sign">Sign the consent</VBtn></div>
</template>

<style scoped>
.pad {
  border: 1.5px dashed var(--oak-light);
  border-radius: 8px;
  background: var(--chalk);
  max-width: 100%;
  touch-action: none;
  display: block;
}
p {
  margin: 0;
}
.kinds {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
</style>
