<script setup lang="ts">
import { toMilliseconds } from '#core/units'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { doseOf, layerWords } from '#core/dosing/layers'
import { placeOf } from '#core/catalogue/techniques/traits'
import { lastTimeWords } from '#core/visit/lastTime'
import { comfortAt, dialOf, productUsed } from '#core/treatment/atHand'
import { runningMs } from '#core/treatment/clocks'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** The one thing now: what, how, with what, how long, and how it is known to be done. */
const props = defineProps<{ step: PlanStep; warn: string; first: readonly string[] }>()
const room = useRoom()
const visit = useVisit()
const technique = computed(() => TECHNIQUES[props.step.technique])
const place = computed(() => room.steps.findIndex((step) => step.key === props.step.key) + 1)
const client = computed(() => visit.bundle?.client.name.split(' ')[0] ?? '')
const ran = computed(() => (room.state ? runningMs(room.state, room.now) : 0))
const over = computed(() => ran.value > toMilliseconds(props.step.minutes))
const held = computed(() => (room.state?.heldSince === undefined ? '' : ', held'))
const product = computed(() => {
  if (!room.state || !room.input) return ''
  const used = productUsed(room.state, props.step)
  const item = visit.bundle?.shelf.find((one) => one.product.id === used)
  if (!item) return ''
  const { words } = doseOf(props.step, item.product, room.input)
  const again = layerWords(props.step, item.product, room.input)
  return ` · ${item.product.name}, ${words}${again && `, ${again}`}`
})
const dial = computed(() =>
  room.state && room.input ? dialOf(room.state, props.step, room.input) : undefined,
)
/** How the same work went at the last visit of this client. */
const before = computed(() => {
  const times = visit.bundle?.lastTime?.times ?? []
  const own = times.find((one) => one.technique === props.step.technique)
  return own ? `Last time ${lastTimeWords(own)}` : ''
})
const where = computed(() => placeOf(props.step))
const comfort = computed(() =>
  comfortAt(visit.bundle?.client.preferences ?? {}, technique.value.stage),
)
/** How the client lies, and what else holds for the whole visit. */
const said = computed(() => props.warn || room.trouble || room.refused)
const always = computed(() => room.input?.verdict.throughout.map(({ say }) => say) ?? [])
const turnTo = (setting: number) =>
  room.tap({ kind: 'settingChanged', key: props.step.key, setting })
</script>

<template>
  <p class="dim">
    step {{ place }} of {{ room.steps.length }} · {{ client }} ·
    <NuxtLink :to="`/visits/${visit.bundle?.visit.id}/plan`" class="quiet">plan</NuxtLink>
  </p>
  <h1>{{ technique.name }}</h1>
  <ul v-if="first.length" class="plainlist first" aria-label="First">
    <li v-for="say in first" :key="say">First: {{ say.toLowerCase() }}</li>
  </ul>
  <p v-for="say in always" :key="say" class="dim">All through: {{ say.toLowerCase() }}</p>
  <p class="hand">{{ technique.hand }}</p>
  <p v-if="where || product" class="dim">{{ where }}{{ product }}</p>
  <div class="time">
    <span class="clock serif figures" :class="{ over }" role="timer">{{ elapsed(ran) }}</span>
    <span class="dim of serif">of {{ step.minutes }} min{{ held }}</span>
  </div>
  <StepDial v-if="dial" :dial="dial" @dial="turnTo" />
  <p v-if="before" class="dim figures">{{ before }}</p>
  <p class="cue">Done when: {{ technique.cue }}</p>
  <p v-if="comfort" class="dim">{{ comfort }}</p>
  <p v-if="technique.say" class="say">Say: “{{ technique.say }}”</p>
  <p v-if="said" role="alert" class="warn">{{ said }}</p>
</template>

<style scoped>
.dim {
  color: var(--candle-dim);
}
.quiet {
  color: var(--candle-key);
  text-decoration: underline;
}
h1 {
  font-size: clamp(2.2rem, 4.6vw, 3.7rem);
  font-weight: 560;
}
.hand {
  font-size: 1.3rem;
  color: var(--candle-soft);
}
.time {
  display: flex;
  align-items: baseline;
  gap: 18px;
}
.clock {
  font-size: clamp(4rem, 8vw, 6.4rem);
  line-height: 1.05;
  font-weight: 500;
}
.clock.over {
  color: var(--glow);
}
.of {
  font-size: 1.9rem;
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
</style>
