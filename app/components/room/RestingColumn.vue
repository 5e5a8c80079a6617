<script setup lang="ts">
import type { RestingOnFace } from '#core/treatment/atHand'
import { clock } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** What works by itself, and below it the hour and whether the taps have reached the house. */
defineProps<{ resting: readonly RestingOnFace[]; zone: string }>()
const room = useRoom()
const sent = computed(() => {
  if (room.line === 'sent') return 'saved, all taps sent'
  if (room.line === 'sending') return 'sending'
  const count = room.unsent.length
  return `${count} ${count === 1 ? 'tap' : 'taps'} kept here, sent when the house answers`
})
</script>

<template>
  <section class="rests" aria-label="Resting">
    <RestingVessel v-for="one in resting" :key="one.key" :resting="one" />
    <OffNext v-if="resting.length" />
    <p class="foot dim">
      <b class="figures">{{ clock(room.now, zone) }}</b> · {{ sent }}
    </p>
  </section>
</template>

<style scoped>
.rests {
  padding: 20px 0 40px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-content: flex-start;
  position: relative;
  pointer-events: none;
}
.dim {
  color: var(--candle-dim);
}
.dim b {
  color: var(--candle);
}
.foot {
  position: absolute;
  bottom: 6px;
  left: 0;
}
@media (max-width: 1000px) {
  .rests {
    padding-left: 32px;
  }
  .foot {
    left: 32px;
  }
}
</style>
