<script setup lang="ts">
import type { stripSides } from '~/composables/plan/strip'
import { REST_COLOURS } from '~/theme/colours'

/** What works on its own beside the hands, each in its lane. */
type Rest = ReturnType<typeof stripSides>['rests'][number]
const props = defineProps<{ rests: readonly Rest[]; laneWidth: number }>()
const styleOf = (rest: Rest) => ({
  top: `${rest.top}px`,
  height: `${rest.height}px`,
  left: `${rest.lane * props.laneWidth}px`,
  background: rest.outside ? undefined : REST_COLOURS[rest.kind],
})
</script>

<template>
  <div class="rests">
    <div
      v-for="rest in rests"
      :key="rest.key"
      class="rest"
      :class="{ outside: rest.outside }"
      :style="styleOf(rest)"
    >
      <b>{{ rest.name }}</b>
      <span class="figures">{{ rest.end - rest.start }} min</span>
      <span class="figures window">{{ rest.earliest }}–{{ rest.latest }}</span>
    </div>
  </div>
</template>

<style scoped>
.rests {
  position: relative;
}
.rest {
  position: absolute;
  width: 72px;
  background: var(--basin-soft);
  border-radius: 8px;
  padding: 3px 6px;
  font-size: 0.75rem;
  line-height: 1.15;
  display: flex;
  flex-direction: column;
  overflow: hidden;
  color: var(--basin-ink);
}
.rest b::first-letter {
  text-transform: uppercase;
}
.outside {
  background: var(--berry-soft);
}
.window {
  color: var(--basin-ink-soft);
}
@media (max-width: 900px) {
  .rest {
    width: 76px;
    left: 0 !important;
  }
}
</style>
