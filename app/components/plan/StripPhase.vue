<script setup lang="ts">
import { mdiUnfoldLessHorizontal, mdiUnfoldMoreHorizontal } from '@mdi/js'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { Edit } from '#core/planning/steps/edit'
import { isLink } from '#core/planning/steps/link'
import { useDragging } from '~/composables/plan/dragging'
import type { StripLine, StripPhase } from '~/composables/plan/strip'
import { INTENTION_COLOURS } from '~/theme/colours'

/** One part of the visit: what matters in full, what belongs to every visit as words in a line. */
const props = defineProps<{
  phase: StripPhase
  chosen: string | null
  may: boolean
  unfolded: boolean
}>()
const emit = defineEmits<{
  choose: [key: string]
  edit: [edits: Edit[]]
  fold: []
  move: [from: number, to: number]
  key: [event: KeyboardEvent, place: number]
}>()
const list = ref<HTMLElement | null>(null)
useDragging(
  list,
  () => props.may,
  (from, to) => emit('move', from, to),
)
const marksOf = ({ step, findings, whole }: StripLine) => ({
  whole,
  link: isLink(step),
  chosen: step.key === props.chosen,
  stop: findings.some((finding) => finding.strength === 'stop'),
  adapt: findings.length > 0,
})
const labelOf = ({ step, start, findings }: StripLine) =>
  `${start} min: ${techniqueOf(step).name}, ${step.minutes} min. ` + (findings[0]?.text ?? '')
function styleOf({ whole, height, below, intention, findings }: StripLine) {
  if (!whole) return { marginBottom: `${below}px` }
  const edge = findings.length > 0 ? undefined : INTENTION_COLOURS[intention ?? -1]?.edge
  return { minHeight: `${height}px`, borderLeftColor: edge }
}
</script>

<template>
  <section class="phase">
    <h3 class="between">
      <span>{{ phase.name }}</span>
      <span class="row foot">
        <button
          type="button"
          class="fold"
          :aria-expanded="unfolded"
          :aria-label="`${phase.name}: ${unfolded ? 'small steps in a line' : 'every step in full'}`"
          @click="emit('fold')"
        >
          <VIcon
            :icon="unfolded ? mdiUnfoldLessHorizontal : mdiUnfoldMoreHorizontal"
            size="16"
          /></button
        ><span class="figures">{{ phase.minutes }} min</span>
      </span>
    </h3>
    <ol ref="list" class="hands" :aria-label="`${phase.name}: Steps`" :data-first="phase.first">
      <li
        v-for="line in phase.lines"
        :key="line.step.key"
        tabindex="0"
        :data-place="line.place"
        :style="styleOf(line)"
        :class="marksOf(line)"
        :aria-label="labelOf(line)"
        :aria-describedby="may ? 'strip-keys' : undefined"
        :aria-current="line.step.key === chosen ? 'true' : undefined"
        @click="emit('choose', line.step.key)"
        @keydown.self="emit('key', $event, line.place)"
      >
        <StripStep :line="line" :may="may" @edit="(edits) => emit('edit', edits)" />
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  height: 25px;
  align-items: center;
  border-top: 2px solid var(--oak);
  font-size: 1rem;
  padding: 0 8px 0 0;
  flex-wrap: nowrap;
}
.foot {
  gap: 6px;
  font-size: 0.875rem;
  flex-wrap: nowrap;
}
.fold {
  width: 32px;
  height: 24px;
  border: 0;
  background: none;
  cursor: pointer;
  color: var(--ink-soft);
}
.hands {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  align-content: flex-start;
  min-height: 8px;
}
.hands li {
  cursor: pointer;
  height: 24px;
  line-height: 24px;
  padding: 0 8px;
  font-size: 0.875rem;
  color: var(--ink-soft);
  border-radius: 6px;
  white-space: nowrap;
}
.hands li:not(.whole) :deep(b) {
  font-weight: 500;
}
.hands .whole {
  flex: 0 0 100%;
  height: auto;
  line-height: 1.2;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  border-left: 6px solid var(--line);
  border-radius: 0;
  padding: 2px 8px 2px 10px;
  display: flex;
  flex-direction: column;
  font-size: 1rem;
  color: var(--ink);
  white-space: normal;
}
.hands .whole.link {
  font-size: 0.875rem;
  border-left-color: transparent;
}
.hands li:focus-visible {
  outline-offset: -3px;
}
.hands .chosen {
  background: var(--basin-mist);
}
.hands li.chosen:not(.whole) {
  box-shadow: inset 0 0 0 2px var(--basin);
}
.hands .adapt {
  border-left-color: var(--amber);
  background: var(--amber-mist);
}
.hands .stop {
  border-left-color: var(--berry);
  background: var(--berry-mist);
}
</style>
