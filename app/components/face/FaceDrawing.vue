<script setup lang="ts">
import { FACE_COLOURS } from '~/theme/colours'
import { ZONES, type ZoneId } from '#core/face/zones'
import { MIDDLE, SHAPES, SHOULDERS, SILHOUETTE } from './outlines'

/**
 * Our one face. At the desk it looks at us; in the room it is seen from the head end, where the
 * client's left is on our left.
 */
const props = withDefaults(
  defineProps<{
    fill?: Partial<Record<ZoneId, string>>
    marks?: Partial<Record<ZoneId, string>>
    chosen?: readonly ZoneId[]
    label: string
    pick?: boolean
    fromHead?: boolean
    dark?: boolean
    words?: (z: ZoneId) => string
  }>(),
  { fill: () => ({}), marks: () => ({}), chosen: () => [], words: undefined },
)
const emit = defineEmits<{
  zone: [zone: ZoneId]
  sweep: [zone: ZoneId]
  grade: [zone: ZoneId, grade: number]
}>()

const tone = computed(() => FACE_COLOURS[props.dark ? 'room' : 'desk'])
const colour = (z: ZoneId) => props.fill[z] ?? tone.value.base
const name = (z: ZoneId) => `${ZONES[z].name}${props.words ? `, ${props.words(z)}` : ''}`
const brow = (s: number) =>
  `M${MIDDLE + s * 24},131 C${MIDDLE + s * 44},119 ${MIDDLE + s * 66},119 ${MIDDLE + s * 88},131`
const lid = (s: number) => {
  const x = MIDDLE + s * 56
  return `M${x - s * 26},161 C${x - s * 12},174 ${x + s * 12},174 ${x + s * 26},161`
}
const ear = (s: number) => {
  const x = (offset: number) => MIDDLE + s * offset
  return [
    `M${x(124)},176`,
    `C${x(142)},166 ${x(146)},196 ${x(138)},222`,
    `C${x(133)},240 ${x(124)},242 ${x(122)},232Z`,
  ].join(' ')
}

function key(event: KeyboardEvent, zone: ZoneId) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('zone', zone)
  } else if (/^[0-4]$/.test(event.key)) {
    event.preventDefault()
    emit('grade', zone, Number(event.key))
  }
}
function sweep(event: PointerEvent) {
  if (event.buttons === 0) return
  const zone = document.elementFromPoint(event.clientX, event.clientY)?.getAttribute('data-zone')
  if (zone) emit('sweep', zone as ZoneId)
}
const let_go = (event: PointerEvent) => {
  const t = event.target as Element
  if (t.hasPointerCapture?.(event.pointerId)) t.releasePointerCapture(event.pointerId)
}
</script>

<template>
  <svg
    viewBox="0 20 340 534"
    class="face"
    :class="{ turned: fromHead }"
    :role="pick ? 'group' : 'img'"
    :aria-label="label"
    @pointermove="sweep"
    @pointerdown="let_go"
  >
    <path :d="ear(1)" :fill="tone.under" />
    <path :d="ear(-1)" :fill="tone.under" />
    <path :d="SHOULDERS" :fill="tone.under" />
    <path :d="SILHOUETTE" :fill="tone.under" />
    <g :stroke="tone.gap" stroke-width="1.6" stroke-linejoin="round">
      <path
        v-for="s in SHAPES"
        :key="s.zone"
        :d="s.d"
        :fill="colour(s.zone)"
        :data-zone="s.zone"
        :class="{ pickable: pick, chosen: chosen.includes(s.zone) }"
        :role="pick ? 'button' : undefined"
        :tabindex="pick ? 0 : undefined"
        :aria-label="pick ? name(s.zone) : undefined"
        :aria-pressed="pick ? chosen.includes(s.zone) : undefined"
        @click="pick && emit('zone', s.zone)"
        @keydown="pick && key($event, s.zone)"
      />
    </g>
    <g fill="none" :stroke="tone.line" stroke-linecap="round" pointer-events="none">
      <path :d="brow(1)" stroke-width="2.2" opacity=".55" />
      <path :d="brow(-1)" stroke-width="2.2" opacity=".55" />
      <path :d="lid(1)" stroke-width="1.6" />
      <path :d="lid(-1)" stroke-width="1.6" />
      <path
        :d="`M${MIDDLE - 42},308 C${MIDDLE - 20},316 ${MIDDLE + 20},316 ${MIDDLE + 42},308`"
        stroke-width="1.4"
        opacity=".7"
      />
    </g>
    <g
      pointer-events="none"
      :fill="tone.text"
      text-anchor="middle"
      font-weight="650"
      font-size="13"
    >
      <template v-for="s in SHAPES" :key="s.zone">
        <text
          v-if="marks[s.zone]"
          :transform="fromHead ? `rotate(180 ${s.centre[0]} ${s.centre[1]})` : undefined"
          :x="s.centre[0]"
          :y="s.centre[1] + 4"
        >
          {{ marks[s.zone] }}
        </text>
      </template>
      <text :transform="fromHead ? 'rotate(180 16 185)' : undefined" x="16" y="190" font-size="17">
        R
      </text>
      <text
        :transform="fromHead ? 'rotate(180 324 185)' : undefined"
        x="324"
        y="190"
        font-size="17"
      >
        L
      </text>
    </g>
  </svg>
</template>

<style scoped>
.face {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
}
.turned {
  transform: rotate(180deg);
}
.pickable {
  cursor: pointer;
}
.pickable:hover {
  filter: brightness(0.94);
}
.pickable:focus-visible {
  outline: none;
  stroke: var(--water);
  stroke-width: 4;
}
.chosen {
  stroke: var(--basin);
  stroke-width: 3.4;
}
</style>
