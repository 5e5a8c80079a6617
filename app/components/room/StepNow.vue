<script setup lang="ts">
import { fromMilliseconds, toMilliseconds } from '#core/units'
import { UNASKED_MAKE_UP } from '#core/catalogue/consultation/makeUp'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { lastTimeWords } from '#core/visit/lastTime'
import { attendedNow, stayWords } from '#core/treatment/fold/attended'
import { comfortAt, dialOf } from '#core/treatment/order/atHand'
import { runningMs } from '#core/treatment/fold/clocks'
import { wentRound } from '#core/treatment/stop/leftZones'
import { promptAt } from '#core/treatment/step/prompts'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** The one thing now: what, how, with what, how long, and how it is known to be done. */
const props = defineProps<{ step: PlanStep; warn: string; first: readonly string[] }>()
const emit = defineEmits<{ notYet: []; cleanse: []; swap: []; skip: [] }>()
const room = useRoom()
const visit = useVisit()
const technique = computed(() => techniqueOf(props.step))
/** Something from the shelf: of its own, or beside what it does, as oil over what comes off. */
const takes = computed(() => Boolean(technique.value.product ?? technique.value.takesAlso?.length))
const client = computed(() => visit.bundle?.client.name.split(' ')[0] ?? '')
const ran = computed(() => (room.state ? runningMs(room.state, room.now) : 0))
/** Of the step and of what is still open inside it. */
const planned = computed(() => room.open.reduce((sum, own) => sum + own.minutes, 0))
const over = computed(() => ran.value > toMilliseconds(planned.value))
const held = computed(() => (room.state?.heldSince === undefined ? '' : ', held'))
const dial = computed(() =>
  room.state && room.input ? dialOf(room.state, props.step, room.input) : undefined,
)
/** How the same work went at the last visit of this client. */
const before = computed(() => {
  const times = visit.bundle?.lastTime?.times ?? []
  const own = times.find((one) => one.technique === props.step.technique)
  return own ? `Last time ${lastTimeWords(own)}` : ''
})
/** What is seen to first stands alone: dial, device and counts come once it is. */
const begun = computed(() => props.first.length === 0)
const comfort = computed(() =>
  comfortAt(visit.bundle?.client.preferences ?? {}, technique.value.stage),
)
/** What else is good to know, on one line. */
const aside = computed(() =>
  [before.value && `${before.value}.`, comfort.value].filter(Boolean).join(' '),
)
/** Minutes into the main step itself: its ticks come first. */
const minute = computed(() => {
  const ticks = room.open.filter(({ key }) => key !== props.step.key)
  return fromMilliseconds(ran.value) - ticks.reduce((sum, own) => sum + own.minutes, 0)
})
const worn = computed(() => visit.bundle?.visit.makeUp ?? UNASKED_MAKE_UP)
const inHand = computed(() => {
  const id = room.state?.products[props.step.key]?.productId ?? props.step.productId
  return visit.bundle?.shelf.find(({ product }) => product.id === id)?.product
})
const prompt = computed(() =>
  promptAt(props.step, Math.max(0, minute.value), worn.value, inHand.value),
)
/** How the client lies, and what else holds for the whole visit. */
const said = computed(() => props.warn || room.trouble || room.refused || room.unkept)
const always = computed(() => room.input?.verdict.throughout.map(({ say }) => say) ?? [])
const stay = computed(() =>
  room.state ? stayWords(attendedNow(room.state, room.everyStep, props.step)) : '',
)
/** Zones of the plan that this step leaves alone today, and why. */
const spared = computed(() => {
  const ofStep = ({ key }: PlanStep) => key === props.step.key
  const planned = visit.bundle?.plans.findLast(({ steps }) => steps.some(ofStep))
  return wentRound(planned?.steps.find(ofStep), props.step, room.state?.left ?? {})
})
const turnTo = (setting: number) =>
  room.tap({ kind: 'settingChanged', key: props.step.key, setting })
</script>

<template>
  <section class="now" aria-label="Now">
    <div class="row top">
      <p class="dim">
        step {{ room.place + 1 }} of {{ room.moments.length }} · {{ client }} ·
        <NuxtLink :to="`/visits/${visit.bundle?.visit.id}/plan`" class="quiet">plan</NuxtLink>
      </p>
      <StepTicks v-if="room.moment?.ticks.length" :ticks="room.moment.ticks" />
    </div>
    <h1>{{ technique.name }}</h1>
    <ul v-if="first.length" class="plainlist first" aria-label="First">
      <li v-for="say in first" :key="say">First: {{ say.toLowerCase() }}</li>
    </ul>
    <p v-if="stay" class="dim">{{ stay }}</p>
    <p v-for="say in spared" :key="say" class="dim">Not here: {{ say }}</p>
    <p v-for="say in always" :key="say" class="dim">All through: {{ say.toLowerCase() }}</p>
    <StepHand :step="step" :minute="minute" :worn="worn" />
    <StepBarred :step="step" @skip="emit('skip')" />
    <StepRecalled v-if="takes" :step="step" @swap="emit('swap')" />
    <StepAmount v-if="takes" :step="step" />
    <div class="time">
      <span class="clock serif figures" :class="{ over }" role="timer">{{ elapsed(ran) }}</span>
      <span class="dim of serif">of {{ planned }} min{{ held }}</span>
      <RoomButton v-if="begun" class="yet" hotkey="Y" @click="emit('notYet')">Not yet</RoomButton>
    </div>
    <p class="cue">Done when: {{ room.cue?.cue }}</p>
    <template v-if="begun">
      <div v-if="technique.device" class="row device">
        <StepDial v-if="dial" :dial="dial" :step="step" @dial="turnTo" />
        <StepFitting :step="step" />
        <StepDevice v-if="!step.own?.device" :step="step" :dial="dial" />
      </div>
      <StepUnready />
      <StepSlip :step="step" :ran="ran" />
      <StepHalves :step="step" />
      <StepCount :step="step" @cleanse="emit('cleanse')" />
      <StepFeel :step="step" />
    </template>
    <p v-if="aside" class="dim figures">{{ aside }}</p>
    <p v-if="prompt" class="say">Say: “{{ prompt }}”</p>
    <p v-if="said" role="alert" class="warn">{{ said }}</p>
  </section>
</template>

<style scoped>
.now {
  padding: 20px 0 6px 32px;
  display: flex;
  flex-direction: column;
  gap: 7px;
  font-size: 1.125rem;
  min-width: 0;
}
.dim {
  color: var(--candle-dim);
}
.dim b {
  color: var(--glow);
}
.quiet {
  color: var(--candle-key);
  text-decoration: underline;
}
h1 {
  font-size: clamp(1.9rem, 3.5vw, 2.9rem);
  line-height: 1.12;
  font-weight: 560;
}
.time {
  display: flex;
  align-items: baseline;
  gap: 18px;
}
.clock {
  font-size: clamp(3.2rem, 6vw, 5rem);
  line-height: 1;
  font-weight: 500;
}
.clock.over {
  color: var(--glow);
}
.top {
  align-items: center;
  gap: 4px 18px;
}
.device {
  gap: 6px 12px;
}
.yet {
  margin-left: auto;
}
.of {
  font-size: 1.7rem;
}
/* On a low screen, or at twice the size, what is tapped stays above the bar; words follow below. */
@media (max-height: 480px) {
  .now {
    padding-top: 8px;
  }
  .top,
  h1 {
    order: -2;
  }
  .time {
    order: -1;
  }
  .clock {
    font-size: 2.6rem;
  }
}
.first {
  color: var(--coal-ink);
  background: var(--glow);
  border-radius: 8px;
  padding: 8px 12px;
  font-size: 1.3rem;
  font-weight: 650;
}
.cue {
  color: var(--leaf);
}
.say {
  color: var(--glow);
  font-style: italic;
}
.warn {
  color: var(--coal-ink);
  background: var(--coal);
  border-radius: 8px;
  padding: 8px 12px;
  font-weight: 650;
}
@media (max-width: 1000px) {
  .now {
    padding-right: 24px;
  }
}
@media (max-height: 820px) and (min-width: 1001px) {
  .now {
    padding-top: 12px;
    gap: 4px;
    font-size: 1.0625rem;
  }
  h1 {
    font-size: clamp(1.8rem, 3vw, 2.4rem);
  }
  .clock {
    font-size: 3.6rem;
  }
}
@media (max-height: 780px) and (min-width: 1001px) {
  .now {
    padding-top: 4px;
    padding-bottom: 0;
    gap: 1px;
  }
  h1 {
    font-size: 1.7rem;
  }
  .clock {
    font-size: 3.1rem;
  }
}
</style>
