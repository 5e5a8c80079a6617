<script setup lang="ts">
import { howMany } from '#core/words'
import type { WeekDay } from '#contracts/replies/house'
import { isoDayWords } from '~/composables/dates'
import { BASIN_COLOURS } from '~/theme/colours'

/** One day as a bowl: how much of what is open is taken. A visit can be dropped on it. */
const props = defineProps<{ own: WeekDay; here: boolean; name: string }>()
const emit = defineEmits<{ drop: [visitId: string] }>()
/** How far down the bowl is empty, in the units of its drawing. */
const BOWL = { rim: 2, depth: 20 }
const empty = computed(() => {
  const { openMinutes, takenMinutes } = props.own
  const share = openMinutes > 0 ? Math.min(1, takenMinutes / openMinutes) : 0
  return BOWL.rim + BOWL.depth * (1 - share)
})
const shutWord = computed(() => props.own.shut ?? (props.own.openMinutes === 0 ? 'shut' : ''))
const title = computed(() =>
  [isoDayWords(props.own.day), howMany(props.own.visits, 'visit'), shutWord.value]
    .filter(Boolean)
    .join(', '),
)
const over = ref(false)
const clip = useId()
function drop(event: DragEvent) {
  over.value = false
  const id = event.dataTransfer?.getData('text/plain')
  if (id) emit('drop', id)
}
</script>

<template>
  <NuxtLink
    :to="`/?date=${own.day}`"
    :aria-current="here ? 'date' : undefined"
    :class="{ here, over, shut: shutWord !== '' && own.visits === 0 }"
    :title="title"
    draggable="false"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <svg viewBox="0 0 34 28" width="34" height="28" aria-hidden="true">
      <clipPath :id="clip"><path d="M4 3h26c0 13-5 21-13 21S4 16 4 3z" /></clipPath>
      <g :clip-path="`url(#${clip})`">
        <rect width="34" height="28" :fill="BASIN_COLOURS.desk.bowl" />
        <rect width="34" height="28" :y="empty" :fill="BASIN_COLOURS.today" />
      </g>
      <path
        d="M4 3c0 13 5 21 13 21s13-8 13-21"
        fill="none"
        :stroke="BASIN_COLOURS.desk.line"
        stroke-width="1.5"
      />
      <path d="M1 3h32" :stroke="BASIN_COLOURS.desk.line" stroke-width="2.5" />
    </svg>
    <span aria-hidden="true">{{ name }}</span><span class="sr">{{ title }}</span>
  </NuxtLink>
</template>

<style scoped>
a {
  min-width: 44px;
  min-height: 44px;
  display: flex;
  flex-direction: column;
  align-items: center;
  color: var(--ink-soft);
  text-decoration: none;
  font-size: 0.875rem;
  border-radius: 8px;
}
svg {
  width: 34px;
  height: 28px;
}
.here {
  color: var(--basin);
  font-weight: 700;
}
.over {
  outline: 2px solid var(--basin);
}
.shut svg {
  opacity: 0.4;
}
</style>
