<script setup lang="ts">
import type { RegionId } from '#core/face/zones'

/** What comes next and how the hour runs; beside it what is needed now and then. */
defineProps<{
  left: number
  short: number
  looks: readonly RegionId[]
  zone: string
  mayGoBack: boolean
  mayAskDrank: boolean
  maySwap: boolean
}>()
const emit = defineEmits<{
  back: []
  open: [panel: 'skip' | 'absorbed' | 'swap' | 'fit' | 'notes']
}>()
</script>

<template>
  <div class="tools">
    <StepThen :left="left" :short="short" :looks="looks" :zone="zone" @fit="emit('open', 'fit')" />
    <div class="row chips">
      <RoomButton v-if="mayGoBack" hotkey="B" @click="emit('back')">Step back</RoomButton>
      <RoomButton hotkey="S" @click="emit('open', 'skip')">Skip</RoomButton>
      <RoomButton v-if="mayAskDrank" hotkey="D" @click="emit('open', 'absorbed')"
        >Absorbed?</RoomButton
      >
      <RoomButton v-if="maySwap" hotkey="W" @click="emit('open', 'swap')">Swap</RoomButton>
      <RoomButton hotkey="F" @click="emit('open', 'fit')">Fit</RoomButton>
      <RoomButton hotkey="N" @click="emit('open', 'notes')">Note</RoomButton>
    </div>
  </div>
</template>

<style scoped>
.tools {
  grid-area: tools;
  display: flex;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 6px 20px;
  padding: 6px 24px 8px 32px;
  font-size: 1.0625rem;
}
.chips {
  gap: 10px;
}
</style>
