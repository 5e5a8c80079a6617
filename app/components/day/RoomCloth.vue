<script setup lang="ts">
import type { DayPage, DayVisit } from '#contracts/replies/day'
import type { VisitChange } from '~/composables/day/changing'
import type { DayLayout, OpenGap } from '~/composables/dayLayout'
import { minuteWords, ROOMS_WIDE } from '~/composables/dayLayout'

/**
 * A room as a cloth from morning down to evening: visits folded into it, a seam for cleaning after
 * each, open weave where a visit still fits. A visit can be dropped on it.
 */
const props = defineProps<{
  room: { id: string; name: string }
  page: DayPage
  visits: readonly DayVisit[]
  layout: DayLayout
  /** Minutes from midnight: before it nothing is offered; 0 on days to come. */
  now: number
}>()
const emit = defineEmits<{
  move: [visit: DayVisit]
  change: [visit: DayVisit, change: VisitChange]
  drop: [visitId: string, minute: number]
  book: [gap: OpenGap]
}>()
const gaps = computed(() => props.layout.gaps(props.room.id, props.now))
const clashes = (id: string) =>
  props.page.conflicts.some((conflict) => conflict.a === id || conflict.b === id)
const twice = (id: string) =>
  props.page.conflicts.flatMap(({ a: one, b: other, device }) =>
    device && (one === id || other === id) ? [device] : [],
  )
const over = ref('')
const minuteUnder = (event: DragEvent) =>
  props.layout.minuteAt(
    event.clientY - (event.currentTarget as HTMLElement).getBoundingClientRect().top,
  )
function hover(event: DragEvent) {
  over.value = minuteWords(minuteUnder(event))
}
function drop(event: DragEvent) {
  over.value = ''
  const id = event.dataTransfer?.getData('text/plain')
  if (id) emit('drop', id, minuteUnder(event))
}
</script>

<template>
  <section class="room" :class="{ many: page.rooms.length > ROOMS_WIDE }" :aria-label="room.name">
    <h2>{{ room.name }}</h2>
    <div class="rod" />
    <div
      class="weave"
      :style="{ height: layout.height }"
      @dragover.prevent="hover"
      @dragleave="over = ''"
      @drop.prevent="drop"
    >
      <div v-for="(style, at) in layout.shut" :key="at" class="shut" :style="style" />
      <button
        v-for="gap in gaps"
        :key="gap.from"
        type="button"
        class="gap"
        :style="gap.style"
        :aria-label="`Book ${room.name}, ${gap.words}`"
        @click="emit('book', gap)"
      >
        {{ gap.words }}
      </button>
      <template v-for="visit in visits" :key="visit.id">
        <DayVisitBand
          :visit="visit"
          :zone="page.timeZone"
          :clash="clashes(visit.id)"
          :twice="twice(visit.id)"
          :style="layout.styleOf(visit)"
          @move="emit('move', visit)"
          @change="(change) => emit('change', visit, change)"
        />
        <div class="seam" :style="layout.seamOf(visit)" />
      </template>
      <p v-if="over" class="over" role="status">{{ over }}</p>
    </div>
  </section>
</template>

<style scoped>
.room {
  min-width: 250px;
  padding-right: 76px;
}
.many {
  min-width: 136px;
  padding-right: 12px;
}
h2 {
  padding: 0 0 4px 12px;
  font-size: 1.15rem;
}
.many h2 {
  height: var(--room-name);
  padding-inline: 0;
  display: flex;
  align-items: flex-end;
  font-size: 1rem;
  line-height: 1.15;
  overflow: hidden;
  overflow-wrap: anywhere;
}
.rod {
  height: 7px;
  margin-inline: -12px;
  border-radius: 4px;
  background: var(--oak-deep);
}
.many .rod {
  margin-inline: -5px;
}
.weave {
  position: relative;
  container: cloth / inline-size;
  background-color: var(--linen-shade);
  background-image:
    linear-gradient(to right, rgb(221 205 179 / 45%) 1px, transparent 1px),
    linear-gradient(to bottom, rgb(221 205 179 / 45%) 1px, transparent 1px);
  background-size: 6px 6px;
  border-inline: 1.5px dashed var(--line);
}
.shut {
  position: absolute;
  inset-inline: 0;
  background: var(--linen);
}
.gap {
  position: absolute;
  inset-inline: 10px;
  border: 0;
  background: none;
  text-align: left;
  padding: 0 14px;
  color: var(--ink-soft);
  font: inherit;
  font-size: 0.875rem;
  cursor: pointer;
  border-radius: 6px;
}
.gap:hover,
.gap:focus-visible {
  background: rgb(255 253 249 / 60%);
  text-decoration: underline;
}
.seam {
  position: absolute;
  inset-inline: 0;
  border-bottom: 1.5px dashed var(--oak-light);
  pointer-events: none;
}
.over {
  position: sticky;
  top: 50%;
  text-align: center;
  font-weight: 650;
  pointer-events: none;
}
</style>
