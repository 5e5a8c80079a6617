<script setup lang="ts">
import { MOST_GRADE } from '#core/skin/readings'
import { REGION_NAMES } from '#core/face/regions'
import { courses, expectedCourse, type Course } from '#core/treatment/stop/rednessCourse'
import { fromMilliseconds, toMilliseconds } from '#core/units'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** Redness of each zone over the minutes, beside what the work explains. */
const room = useRoom()
const all = computed(() =>
  room.state ? courses(room.state, room.everyStep, room.context?.baseline ?? {}, room.now) : [],
)
const WIDE = 180
const HIGH = 60
const minute = computed(() => fromMilliseconds(room.now - (room.state?.startedAt ?? room.now)))
const across = (at: number) => (minute.value > 0 ? (at / minute.value) * WIDE : 0)
const down = (grade: number) => HIGH - (grade / MOST_GRADE) * HIGH
const through = (points: Course['seen']) =>
  points.map((own, at) => `${at > 0 ? 'L' : 'M'}${across(own.minute)} ${down(own.grade)}`).join(' ')
const line = ({ seen, baseline }: Course) => through([{ minute: 0, grade: baseline }, ...seen])
/** A line is drawn anew by the minute, and not with every tick of the clocks. */
const drawn = computed(() => Math.floor(minute.value))
const expected = computed(() => {
  const { state, everyStep } = room
  if (!state?.startedAt) return {}
  const until = state.startedAt + toMilliseconds(drawn.value)
  return Object.fromEntries(
    all.value.map((own) => [own.region, through(expectedCourse(state, everyStep, own, until))]),
  )
})
const word = ({ seen, baseline, staysTooLong, unexplained, expectedNow, lookAt = 0 }: Course) => {
  const last = seen[seen.length - 1]?.grade ?? baseline
  if (staysTooLong) return 'stays longer than expected: calm it'
  if (last <= baseline) return 'as at the start'
  const look = lookAt > room.now ? `look again in ${elapsed(lookAt - room.now)}` : 'look again now'
  if (unexplained) return `more than this work explains: ${look}`
  return `expected now: up to ${Math.ceil(expectedNow)}`
}
</script>

<template>
  <ul v-if="all.length" class="plainlist row" aria-label="How redness went">
    <li v-for="course in all" :key="course.region" class="course">
      <svg :viewBox="`0 -4 ${WIDE} ${HIGH + 8}`" aria-hidden="true">
        <path :d="expected[course.region]" class="expected" />
        <path :d="line(course)" class="seen" />
        <circle
          v-for="own in course.seen"
          :key="own.minute"
          :cx="across(own.minute)"
          :cy="down(own.grade)"
          r="4"
        />
      </svg>
      <span
        ><b>{{ REGION_NAMES[course.region] }}</b> {{ course.baseline }} →
        {{ course.seen.at(-1)?.grade }}</span
      >
      <span :class="{ glow: course.staysTooLong }">{{ word(course) }}</span>
    </li>
  </ul>
</template>

<style scoped>
.course {
  display: flex;
  flex-direction: column;
  width: 200px;
  color: var(--candle-dim);
}
svg {
  width: 180px;
  height: 60px;
  border-bottom: 1px solid var(--ember-line);
  overflow: visible;
}
.expected {
  fill: none;
  stroke: var(--glow);
  stroke-dasharray: 6 5;
  stroke-width: 2;
}
.seen {
  fill: none;
  stroke: var(--coal);
  stroke-width: 3;
}
circle {
  fill: var(--coal);
}
.glow {
  color: var(--glow);
  font-weight: 650;
}
</style>
