<script setup lang="ts">
import { turned, type Dial } from '#core/treatment/order/atHand'
import { ladderAt } from '#core/treatment/step/ladder'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { useRoom } from '~/stores/room'

/** The device's own dial: gentler at any time, stronger only after a minute at this level and calm. */
const props = defineProps<{ dial: Dial; step: PlanStep }>()
const emit = defineEmits<{ dial: [setting: number] }>()
const room = useRoom()
const ladder = computed(() =>
  room.state
    ? ladderAt(room.state, props.step.key, props.dial, room.state.current?.since ?? 0, room.now)
    : undefined,
)
const turn = (notches: number) => emit('dial', turned(props.dial, notches))
const calm = () => room.tap({ kind: 'calm', key: props.step.key, setting: props.dial.value })
</script>

<template>
  <div class="row dial">
    <span>
      {{ dial.label }} <b class="figures">{{ dial.value }} {{ dial.unit }}</b>
    </span>
    <RoomButton
      square
      :aria-label="`${dial.label} down`"
      :disabled="dial.stronger < 0 && !ladder?.mayStepUp"
      @click="turn(-1)"
      >−</RoomButton
    >
    <RoomButton
      square
      :aria-label="`${dial.label} up`"
      :disabled="dial.stronger > 0 && !ladder?.mayStepUp"
      @click="turn(1)"
      >+</RoomButton
    >
    <RoomButton v-if="ladder && !ladder.calm && !ladder.waitMs" @click="calm">Calm</RoomButton>
  </div>
  <span class="dim figures say" role="status">{{ ladder?.say }}</span>
</template>

<style scoped>
.dial {
  gap: 6px 12px;
}
.say {
  order: 1;
  width: 100%;
}
.dim {
  color: var(--candle-dim);
}
</style>
