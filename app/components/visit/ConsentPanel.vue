<script setup lang="ts">
import { DESK } from '~/theme/colours'
import SignaturePad from 'signature_pad'
import { standingHere } from '#core/visit/ready'
import { CONSENT_IDS, CONSENTS, type ConsentId } from '#core/catalogue/consultation/consents'
import { barredConsents, consentsFor, needsGuardian } from '#core/screening/consent'
import type { Bar } from '#core/screening/verdict'
import { dayAndClock, dayWords } from '~/composables/dates'
import { fieldProblem, sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/**
 * Nothing is ticked beforehand: a box that stands ticked is nobody's consent. What may be done
 * nowhere today is not asked for.
 */
const props = defineProps<{ bars: readonly Bar[] }>()
const visit = useVisit()
const b = computed(() => visit.bundle)
const method = ref<'pen' | 'typed'>('typed')
const name = ref('')
const confirmed = ref(false)
const canvas = ref<HTMLCanvasElement | null>(null)
const trouble = ref<unknown>(null)
const again = ref(false)
const guardian = computed(() => needsGuardian(b.value?.client.age ?? null))
const stands = computed(() => (b.value ? standingHere(b.value) : []))
/** Offered: what this therapist may do in this house, and whatever the plan asks for. */
const offered = computed<ConsentId[]>(() => {
  const held = b.value?.staff.licences ?? []
  const may: Record<ConsentId, boolean> = {
    care: true,
    exfoliation: true,
    machine: held.includes('machine'),
    current: held.includes('current'),
    needling: held.includes('needling025') || held.includes('needling05'),
  }
  return CONSENT_IDS.filter((k) => may[k] || consentsFor(visit.draft).includes(k))
})
const barred = computed(() => barredConsents(props.bars))
const open = computed(() => offered.value.filter((k) => barred.value[k] === undefined))
const ticked = ref<ConsentId[]>([])
const kinds = computed(() => ticked.value.filter((k) => open.value.includes(k)))
const usual = computed(() => open.value.filter((k) => !CONSENTS[k].alone))
const alone = computed(() => open.value.filter((k) => CONSENTS[k].alone))
const tickUsual = () => {
  ticked.value = [...new Set([...ticked.value, ...usual.value])]
}
const missing = computed(() =>
  consentsFor(visit.draft).filter((k) => !stands.value.some((s) => s.kind === k)),
)
const tick = (k: ConsentId) => {
  ticked.value = ticked.value.includes(k)
    ? ticked.value.filter((x) => x !== k)
    : [...ticked.value, k]
}
const takingBack = ref(false)
async function takeBack(k: ConsentId) {
  trouble.value = null
  try {
    await visit.send('/withdrawals', 'POST', { id: crypto.randomUUID(), kinds: [k] })
    await visit.reload()
  } catch (e) {
    trouble.value = e
  }
}
let pad: SignaturePad | undefined
watch([canvas, method], () => {
  if (canvas.value)
    pad = new SignaturePad(canvas.value, { penColor: DESK.ink, minWidth: 1, maxWidth: 2.4 })
})

async function sign() {
  trouble.value = null
  const id = crypto.randomUUID()
  try {
    if (method.value === 'pen') {
      if (!pad || pad.isEmpty()) {
        trouble.value = new Error('empty')
        return
      }
      const strokes = pad
        .toData()
        .map((g) =>
          g.points
            .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)},${p.y.toFixed(1)}`)
            .join(''),
        )
        .join('')
      await visit.send('/consent', 'POST', {
        id,
        method: 'pen',
        strokes,
        guardian: guardian.value,
        kinds: kinds.value,
      })
    } else
      await visit.send('/consent', 'POST', {
        id,
        method: 'typed',
        name: name.value,
        confirmed: confirmed.value,
        guardian: guardian.value,
        kinds: kinds.value,
      })
    again.value = false
    await visit.reload()
  } catch (e) {
    trouble.value = e
  }
}
</script>

<template>
  <section v-if="b" class="panel stack">
    <h2>Consent</h2>
    <div v-if="stands.length && !again" class="stack">
      <p v-if="b.consent" class="tag good">
        {{ b.consent.method === 'pen' ? 'Signed by pen' : `Typed by ${b.consent.name}` }},
        {{ dayAndClock(b.consent.at, b.practice.timeZone)
        }}{{ b.consent.guardian ? ', as guardian' : '' }}
      </p>
      <ul class="plainlist">
        <li v-for="s in stands" :key="s.kind" class="between kind">
          <span
            ><b>{{ CONSENTS[s.kind].name }}</b>
            <span class="soft figures"
              >signed {{ dayWords(s.at, b.practice.timeZone) }}, stands until {{ s.until }}</span
            ></span
          ><VBtn
            v-if="takingBack && b.may.write"
            size="small"
            height="38"
            variant="outlined"
            color="error"
            @click="takeBack(s.kind)"
            >Take back<span class="sr"> {{ CONSENTS[s.kind].name }}</span></VBtn
          >
        </li>
      </ul>
      <p v-if="missing.length" class="tag watch">
        The plan also asks for: {{ missing.map((k) => CONSENTS[k].name.toLowerCase()).join(', ') }}
      </p>
      <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
      <div v-if="b.may.write && b.visit.status === 'booked'" class="row">
        <VBtn variant="text" @click="again = true">Sign again</VBtn
        ><VBtn variant="text" @click="takingBack = !takingBack">{{
          takingBack ? 'Leave as it stands' : 'The client takes it back'
        }}</VBtn>
      </div>
    </div>
    <template v-else-if="b.may.write && b.visit.status === 'booked'">
      <p>
        I have answered to the best of my knowledge, I know what is planned today and may stop it at
        any time.
      </p>
      <p v-if="guardian" class="tag watch">Under 16: a guardian signs</p>
      <fieldset class="kinds">
        <legend class="soft">The client agrees to</legend>
        <label v-for="k in offered" :key="k" :class="{ off: barred[k] !== undefined }"
          ><input
            type="checkbox"
            :checked="kinds.includes(k)"
            :disabled="barred[k] !== undefined"
            @change="tick(k)"
          /><span
            ><b>{{ CONSENTS[k].name }}</b>
            <span class="soft">{{
              barred[k] === undefined ? CONSENTS[k].sentence : `Not today: ${barred[k]}`
            }}</span></span
          ></label
        >
      </fieldset>
      <div v-if="usual.some((k) => !kinds.includes(k))">
        <VBtn variant="outlined" @click="tickUsual"
          >All of these{{
            alone.length
              ? `, but ${alone.map((k) => CONSENTS[k].name.toLowerCase()).join(', ')}`
              : ''
          }}</VBtn
        >
      </div>
      <p v-for="m in fieldProblem(trouble, 'kinds')" :key="m" class="tag stop">
        Choose {{ m }} to sign for.
      </p>
      <VBtnToggle
        v-model="method"
        mandatory
        color="primary"
        variant="outlined"
        density="comfortable"
        ><VBtn value="typed">By typed name</VBtn><VBtn value="pen">By pen</VBtn></VBtnToggle
      >
      <template v-if="method === 'typed'"
        ><VTextField
          v-model="name"
          :label="guardian ? 'Guardian\'s full name' : 'Client\'s full name'"
          :error-messages="fieldProblem(trouble, 'name')" /><VCheckbox
          v-model="confirmed"
          label="The client is here and agrees"
          hide-details="auto"
          density="compact"
          :error-messages="fieldProblem(trouble, 'confirmed')"
      /></template>
      <div v-else>
        <canvas
          ref="canvas"
          width="520"
          height="140"
          class="pad"
          aria-label="Sign here by pen or finger"
        /><VBtn variant="text" size="small" @click="pad?.clear()">Clear</VBtn>
      </div>
      <p v-if="trouble" role="alert" class="tag stop">
        {{
          trouble instanceof Error && trouble.message === 'empty'
            ? 'Nothing is signed yet.'
            : sayProblem(trouble)
        }}
      </p>
      <div><VBtn color="secondary" @click="sign">Sign the consent</VBtn></div>
    </template>
    <p v-else class="soft">Not signed.</p>
  </section>
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
.kind {
  align-items: center;
  padding: 3px 0;
}
.kinds {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.kinds label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 5px 0;
  cursor: pointer;
}
.kinds label.off {
  cursor: default;
}
.kinds input {
  width: 19px;
  height: 19px;
  accent-color: var(--basin);
  transform: translateY(3px);
  flex: none;
}
</style>
