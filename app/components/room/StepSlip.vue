<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { dragsAfter, SLIP, topUpDrops } from '#core/treatment/slip'
import { fromMilliseconds } from '#core/units'
import { useAmount } from '~/composables/room/amount'
import { useRoom } from '~/stores/room'

/** The medium under the hand: a measured top-up before it drags. */
const props = defineProps<{ step: PlanStep; ran: number }>()
const room = useRoom()
const { planned, taken, add } = useAmount(() => props.step)
const slides = computed(() => {
  const { product, stage } = TECHNIQUES[props.step.technique]
  return stage === 'massage' && product !== undefined
})
const dry = computed(() => {
  const { profile } = room.input ?? {}
  return profile?.type === 'dry' || (profile?.conditions.includes('dehydrated') ?? false)
})
/** Since it went on, or was topped up. */
const minute = computed(() => {
  const since = room.state?.current?.since ?? 0
  const after = Math.max(0, (taken.value?.at ?? since) - since)
  return fromMilliseconds(props.ran - after)
})
const drops = computed(() =>
  planned.value ? topUpDrops(planned.value.millilitres, minute.value, dry.value) : 0,
)
const short = computed(
  () => slides.value && drops.value > 0 && minute.value >= dragsAfter(dry.value),
)
const topUp = () => add(drops.value * SLIP.oilDropMl)
</script>

<template>
  <div v-if="short" class="row" role="status">
    <b class="glow">It will drag soon: {{ drops }} {{ drops === 1 ? 'drop' : 'drops' }} more.</b>
    <RoomButton @click="topUp">Topped up</RoomButton>
  </div>
</template>

<style scoped>
.glow {
  color: var(--glow);
}
</style>
