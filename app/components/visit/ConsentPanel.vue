<script setup lang="ts">
import SignaturePad from 'signature_pad'
import { needsGuardian } from '#core/planning/ready'
import { dayAndClock } from '~/composables/dates'
import { fieldProblem, sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const b = computed(() => visit.bundle)
const method = ref<'pen' | 'typed'>('typed')
const name = ref('')
const confirmed = ref(false)
const canvas = ref<HTMLCanvasElement | null>(null)
const trouble = ref<unknown>(null)
const again = ref(false)
const guardian = computed(() => needsGuardian(b.value?.client.age ?? null))
let pad: SignaturePad | undefined
watch([canvas, method], () => { if (canvas.value) pad = new SignaturePad(canvas.value, { penColor: '#2B2621', minWidth: 1, maxWidth: 2.4 }) })

async function sign() {
  trouble.value = null
  const id = crypto.randomUUID()
  try {
    if (method.value === 'pen') {
      if (!pad || pad.isEmpty()) { trouble.value = new Error('empty'); return }
      const strokes = pad.toData().map((g) => g.points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)},${p.y.toFixed(1)}`).join('')).join('')
      await visit.send('/consent', 'POST', { id, method: 'pen', strokes, guardian: guardian.value })
    } else await visit.send('/consent', 'POST', { id, method: 'typed', name: name.value, confirmed: confirmed.value, guardian: guardian.value })
    again.value = false
    await visit.reload()
  } catch (e) { trouble.value = e }
}
</script>

<template>
  <section v-if="b" class="panel stack">
    <h2>Consent</h2>
    <div v-if="b.consent && !again" class="between"><p class="tag good">{{ b.consent.method === 'pen' ? 'Signed by pen' : `Typed by ${b.consent.name}` }}, {{ dayAndClock(b.consent.at, b.practice.timeZone) }}{{ b.consent.guardian ? ', as guardian' : '' }}</p><VBtn v-if="b.may.write && b.visit.status === 'booked'" variant="text" @click="again = true">Sign again</VBtn></div>
    <template v-else-if="b.may.write && b.visit.status === 'booked'">
      <p>I have answered to the best of my knowledge, I know what is planned today and may stop it at any time.</p>
      <p v-if="guardian" class="tag watch">Under 16: a guardian signs</p>
      <VBtnToggle v-model="method" mandatory color="primary" variant="outlined" density="comfortable"><VBtn value="typed">By typed name</VBtn><VBtn value="pen">By pen</VBtn></VBtnToggle>
      <template v-if="method === 'typed'"><VTextField v-model="name" :label="guardian ? 'Guardian\'s full name' : 'Client\'s full name'" :error-messages="fieldProblem(trouble, 'name')" /><VCheckbox v-model="confirmed" label="The client is here and agrees" hide-details="auto" density="compact" :error-messages="fieldProblem(trouble, 'confirmed')" /></template>
      <div v-else><canvas ref="canvas" width="520" height="140" class="pad" aria-label="Sign here by pen or finger" /><VBtn variant="text" size="small" @click="pad?.clear()">Clear</VBtn></div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble instanceof Error && trouble.message === 'empty' ? 'Nothing is signed yet.' : sayProblem(trouble) }}</p>
      <div><VBtn color="secondary" @click="sign">Sign the consent</VBtn></div>
    </template>
    <p v-else class="soft">Not signed.</p>
  </section>
</template>

<style scoped>.pad { border: 1.5px dashed var(--oak-light); border-radius: 8px; background: #fff; max-width: 100%; touch-action: none; display: block; } p { margin: 0; }</style>
