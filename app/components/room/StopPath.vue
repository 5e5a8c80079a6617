<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { STOP_STEPS, STOP_STEP_WORDS, type StopStepId } from '#core/catalogue/rules/stopRules'
import { stopRegions } from '#core/treatment/order/atHand'
import { suspectBottles, suspectedWords, suspectWork } from '#core/treatment/stop/suspects'
import { stopClock } from '#core/treatment/stop/stopClock'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** After a stop: a list that is done from top to bottom, and then only what calms. */
const room = useRoom()
const visit = useVisit()
const stopped = computed(() => room.state?.stopped)
const has = (step: StopStepId) => stopped.value?.steps.includes(step) === true
const next = computed(() => STOP_STEPS.find((step) => !has(step)))
const tick = (step: StopStepId) => room.tap({ kind: 'stopStep', step })
const onwardWord = computed(() =>
  next.value === undefined ? 'Go on, calm only' : 'Finish the list first',
)
const clock = computed(() => room.state && stopClock(room.state, room.now))
const compress = computed(() => {
  const left = clock.value?.compressLeftMs
  if (left === undefined) return ''
  return left > 0 ? `${elapsed(left)} to go` : 'two minutes are over'
})
/** What was used last when it was stopped, the likeliest to blame first. */
const lay = computed(() => {
  if (!room.state || !room.context || !visit.bundle) return ''
  const { shelf } = visit.bundle
  const names = suspectBottles(room.state, room.context).flatMap(
    (id) => shelf.find((own) => own.product.id === id)?.product.name ?? [],
  )
  const tools = suspectWork(room.state, room.context)
    .filter(({ what }) => what === 'tool')
    .map(suspectedWords)
  return [...tools.slice(0, 1), ...names.slice(0, 2)].join(', ')
})
const where = computed(() => (room.state ? stopRegions(room.state) : []))
const late = ref('')
async function onward() {
  if (!(await room.calmPlan())) late.value = room.trouble
}
useEventListener('keydown', (event: KeyboardEvent) => {
  // A button of the screen before may still hold the focus while it leaves: only those here are pressed.
  const typing = (event.target as Element).closest('input,textarea,select,.stop button')
  if (event.key !== ' ' || typing || !next.value || next.value === 'form') return
  event.preventDefault()
  void tick(next.value)
})
</script>

<template>
  <section v-if="visit.bundle && stopped" class="stop" aria-label="Stop">
    <header>
      <p class="reason">
        {{ stopped.reason }}
        <span v-if="clock" class="figures">{{ elapsed(clock.sinceMs) }} ago.</span>
        <template v-if="lay"> Used last: {{ lay }}.</template>
      </p>
      <h1>Stop. Off with cool water.</h1>
      <p v-if="stopped.callHelp" class="help" role="alert">
        Call help now: {{ visit.bundle.practice.emergency }}
      </p>
    </header>
    <ol class="steps">
      <li v-for="step in STOP_STEPS" :key="step" :class="{ done: has(step), here: next === step }">
        <StopForm v-if="step === 'form'" :reason="stopped.reason" :kept="has('form')" />
        <VBtn
          v-else
          block
          height="64"
          :ripple="false"
          class="step"
          :disabled="has(step)"
          :prepend-icon="has(step) ? '$complete' : undefined"
          @click="tick(step)"
        >
          {{ STOP_STEP_WORDS[step] }}
          <b v-if="step === 'cooled' && compress" class="figures clock">{{ compress }}</b>
          <template v-if="next === step" #append><kbd>Space</kbd></template>
        </VBtn>
      </li>
    </ol>
    <div class="beside">
      <EmergencyCard :practice="visit.bundle.practice" />
      <StopPicture :regions="where" />
    </div>
    <footer>
      <p v-if="late" role="alert" class="help">{{ late }}</p>
      <VBtn block :ripple="false" class="onward" :disabled="next !== undefined" @click="onward">{{
        onwardWord
      }}</VBtn>
    </footer>
  </section>
</template>

<style scoped>
.stop {
  grid-column: 1 / -1;
  grid-row: 1 / -1;
  background: var(--stop-ground);
  padding: 18px 38px;
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  gap: 14px 34px;
  align-content: start;
  min-height: 100dvh;
}
header,
footer {
  grid-column: 1 / -1;
}
h1 {
  font-size: 3rem;
}
.reason {
  color: var(--warn-text);
  font-size: 1.25rem;
}
.help {
  background: var(--coal);
  color: var(--coal-ink);
  font-weight: 750;
  font-size: 1.4rem;
  padding: 10px 16px;
  border-radius: 10px;
}
.steps {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.beside {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.step {
  justify-content: flex-start;
  border: 1.5px solid var(--stop-line);
  background: var(--stop-key);
  color: var(--stop-text);
  font-size: 1.25rem;
  letter-spacing: 0;
}
.step :deep(.v-btn__append) {
  margin-left: auto;
}
.here > .step {
  background: var(--stop-here);
  font-weight: 700;
}
.done > .step {
  background: transparent;
  color: var(--stop-done);
  opacity: 1;
}
.stop :deep(.v-btn--disabled .v-btn__overlay) {
  opacity: 0;
}
kbd {
  font: inherit;
  font-size: 0.9rem;
}
.clock {
  margin-left: 16px;
}
.onward {
  min-height: 84px;
  background: var(--enamel);
  color: var(--snow);
  font-size: 1.5rem;
}
.onward:disabled {
  background: var(--ash);
  color: var(--ash-text);
  opacity: 1;
}
@media (max-height: 820px) {
  .stop {
    padding-block: 10px;
    gap: 8px 34px;
  }
  h1 {
    font-size: 2.3rem;
    line-height: 1.15;
  }
  .steps {
    gap: 5px;
  }
  .onward {
    min-height: 66px;
  }
}
@media (max-width: 820px) {
  .stop {
    grid-template-columns: 1fr;
  }
}
</style>
