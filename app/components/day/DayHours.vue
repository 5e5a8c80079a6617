<script setup lang="ts">
import { minuteWords, type DayLayout } from '~/composables/dayLayout'

/** The hours beside the rooms, and the minute of now on the day that it belongs to. */
defineProps<{ layout: DayLayout; now: number | null }>()
</script>

<template>
  <div class="hours" :style="{ height: layout.height }" aria-hidden="true">
    <span v-for="{ hour, top } in layout.hours" :key="hour" class="figures soft" :style="{ top }">{{
      hour
    }}</span>
    <b v-if="now !== null" class="now figures" :style="{ top: layout.top(now) }">{{
      minuteWords(now)
    }}</b>
  </div>
</template>

<style scoped>
.hours {
  position: relative;
  margin-top: calc(var(--room-name) + 7px);
}
.hours span,
.now {
  position: absolute;
  right: 14px;
  font-size: 0.875rem;
  transform: translateY(-50%);
}
.hours span:first-child {
  transform: none;
}
.now {
  color: var(--basin);
  background: var(--linen);
}
</style>
