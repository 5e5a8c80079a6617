<script setup lang="ts">
import { ZONE_NAMED_FROM } from '#core/catalogue/rules/room'
import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import { handOf, methodOf } from '#core/catalogue/schools/schools'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { placeOf } from '#core/catalogue/techniques/traits'
import { drainTrouble, foundFor, placeAt, sequenceOf } from '#core/treatment/step/sequence'
import { soakAt } from '#core/treatment/step/soak'
import { wayOff } from '#core/treatment/step/wayOff'
import { linenOfStep, linenWords, offByLabel } from '#core/tray/linen'
import { SECOND_MS, toMilliseconds } from '#core/units'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** What the hand does and where it is by now: the house's own way, the mask's, the soak's. */
const props = defineProps<{
  step: PlanStep
  /** Minutes into the step, its ticks taken off. */
  minute: number
  worn: readonly MakeUpId[]
}>()
const room = useRoom()
const technique = computed(() => techniqueOf(props.step))
/** What the hand does, as this house or this school does it. */
const hand = computed(() => {
  const { school, policy } = room.input ?? {}
  return school ? handOf(methodOf(school, policy), technique.value) : technique.value.hand
})
/** What dries is looked at by the second, and not with every tick of the clocks. */
const second = computed(() => Math.floor(room.now / SECOND_MS) * SECOND_MS)
const off = computed(() =>
  room.state ? wayOff(room.state, room.everyStep, props.step, second.value, room.input?.shelf) : [],
)
const place = computed(() => room.steps.findIndex(({ key }) => key === props.step.key))
/** What lies ready for this step, and no more than that is used. */
const linen = computed(() =>
  room.input && place.value >= 0
    ? linenWords(linenOfStep(room.input, room.steps, place.value))
    : '',
)
/** Where labels leave nothing to a cloth the usual hand has nothing to do. */
const usual = computed(
  () => !room.input || offByLabel(room.input, room.steps, place.value).length === 0,
)
const soak = computed(() => soakAt(props.step, props.worn, props.minute))
const where = computed(() => placeOf(props.step))
/** Where halves are compared the worked one comes first. */
const firstSide = computed(
  () => useVisit().bundle?.halves.findLast(({ moment }) => moment === 'before')?.worked ?? 'L',
)
const sequence = computed(() =>
  sequenceOf(
    props.step,
    room.input ? foundFor(props.step, room.input.profile) : {},
    firstSide.value,
  ),
)
const here = computed(() =>
  props.step.minutes >= ZONE_NAMED_FROM
    ? placeAt(sequence.value, Math.max(0, props.minute))
    : undefined,
)
const misses = computed(() => drainTrouble(props.step, sequence.value))
</script>

<template>
  <div class="does">
    <p v-if="usual" class="hand">{{ hand }}</p>
    <p v-for="say in off" :key="say" class="hand">{{ say }}</p>
    <p v-if="where || linen" class="dim">
      {{ [where, linen].filter(Boolean).join(' · ')
      }}<template v-if="here">. Now: {{ here.say }}</template>
      <b v-if="misses">{{ `. ${misses}` }}</b>
    </p>
    <p v-if="soak" class="soak" role="status">
      <b v-if="soak.left" class="figures">{{ elapsed(toMilliseconds(soak.left)) }}</b>
      {{ soak.say }}
    </p>
  </div>
</template>

<style scoped>
.does {
  display: contents;
}
.dim {
  color: var(--candle-dim);
}
.dim b {
  color: var(--glow);
}
.hand {
  font-size: 1.2rem;
  color: var(--candle-soft);
}
.soak {
  color: var(--glow);
  font-size: 1.25rem;
  font-weight: 650;
}
@media (max-height: 820px) and (min-width: 1001px) {
  .hand {
    font-size: 1.1rem;
    line-height: 1.3;
  }
}
</style>
