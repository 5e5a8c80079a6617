<script setup lang="ts">
import { FACE_COLOURS } from '~/theme/colours'
import type { Direction } from '#core/catalogue/techniques/directions'
import { SIDE_IDS, type Side } from '#core/face/sides'
import { ZONES, type ZoneId } from '#core/face/zones'
import { neighbour } from './neighbour'
import { MIDDLE, SHAPES, SHOULDERS, SILHOUETTE } from './outlines'

/**
 * Our one face. At the desk it looks at us; in the room it is seen from the head end, where the
 * client's left is on our left.
 */
const props = withDefaults(
  defineProps<{
    fill?: Partial<Record<ZoneId, string>>
    /** Colours of one half of a zone in the middle. */
    halves?: Partial<Record<Side, Partial<Record<ZoneId, string>>>>
    marks?: Partial<Record<ZoneId, string>>
    chosen?: readonly ZoneId[]
    /** Which way the hand goes there: away from the middle, and up. */
    arrows?: Partial<Record<ZoneId, Direction>>
    /** The half that is worked, where it is one alone. */
    half?: Side
    label: string
    pick?: boolean
    fromHead?: boolean
    dark?: boolean
    words?: (zone: ZoneId) => string
  }>(),
  {
    fill: () => ({}),
    halves: () => ({}),
    marks: () => ({}),
    chosen: () => [],
    arrows: () => ({}),
    words: undefined,
    half: undefined,
  },
)
const emit = defineEmits<{
  zone: [zone: ZoneId]
  sweep: [zone: ZoneId]
  grade: [zone: ZoneId, grade: number]
}>()

const clip = useId()
/** Halves with a colour of their own, over the zones that they are half of. */
const halved = computed(() =>
  SIDE_IDS.flatMap((side) =>
    SHAPES.flatMap(({ zone, d }) => {
      const own = props.halves[side]?.[zone]
      return own === undefined ? [] : [{ key: side + zone, side, d, own }]
    }),
  ),
)
const tone = computed(() => FACE_COLOURS[props.dark ? 'room' : 'desk'])
const colour = (zone: ZoneId) => props.fill[zone] ?? tone.value.base
const name = (zone: ZoneId) => [ZONES[zone].name, props.words?.(zone)].filter(Boolean).join(', ')
const brow = (side: number) =>
  `M${MIDDLE + side * 24},131 C${MIDDLE + side * 44},119 ${MIDDLE + side * 66},119 ${MIDDLE + side * 88},131`
const lid = (side: number) => {
  const x = MIDDLE + side * 56
  return `M${x - side * 26},161 C${x - side * 12},174 ${x + side * 12},174 ${x + side * 26},161`
}
const ear = (side: number) => {
  const x = (offset: number) => MIDDLE + side * offset
  return [
    `M${x(124)},176`,
    `C${x(142)},166 ${x(146)},196 ${x(138)},222`,
    `C${x(133)},240 ${x(124)},242 ${x(122)},232Z`,
  ].join(' ')
}

/** The whole face is one stop of the tab key; arrows go from zone to zone within it. */
const at = ref<ZoneId>(SHAPES[0]?.zone ?? 'nose')
function key(event: KeyboardEvent, zone: ZoneId) {
  const next = neighbour(zone, event.key, props.fromHead === true)
  if (next) {
    event.preventDefault()
    at.value = next
    const face = (event.currentTarget as SVGElement).ownerSVGElement
    face?.querySelector<SVGElement>(`[data-zone="${next}"]`)?.focus()
  } else if (event.key === 'Enter' || event.key === ' ') {
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
  const target = event.target as Element
  if (target.hasPointerCapture?.(event.pointerId)) target.releasePointerCapture(event.pointerId)
}
</script>

<template>
  <svg
    viewBox="0 20 340 534"
    class="face"
    :class="{ turned: fromHead, dark }"
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
        v-for="side in SHAPES"
        :key="side.zone"
        :d="side.d"
        :fill="colour(side.zone)"
        :data-zone="side.zone"
        :class="{ pickable: pick, chosen: chosen.includes(side.zone) }"
        :role="pick ? 'button' : undefined"
        :tabindex="pick ? (side.zone === at ? 0 : -1) : undefined"
        :aria-label="pick ? name(side.zone) : undefined"
        :aria-pressed="pick ? chosen.includes(side.zone) : undefined"
        @focus="at = side.zone"
        @click="pick && emit('zone', side.zone)"
        @keydown="pick && key($event, side.zone)"
      />
    </g>
    <g v-if="halved.length" pointer-events="none">
      <clipPath :id="`${clip}L`"><rect :x="MIDDLE" y="0" width="200" height="560" /></clipPath>
      <clipPath :id="`${clip}R`"><rect x="0" y="0" :width="MIDDLE" height="560" /></clipPath>
      <path
        v-for="one in halved"
        :key="one.key"
        :d="one.d"
        :fill="one.own"
        :clip-path="`url(#${clip}${one.side})`"
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
      <template v-for="side in SHAPES" :key="side.zone">
        <text
          v-if="marks[side.zone]"
          :transform="fromHead ? `rotate(180 ${side.centre[0]} ${side.centre[1]})` : undefined"
          :x="side.centre[0]"
          :y="side.centre[1] + 4"
        >
          {{ marks[side.zone] }}
        </text>
      </template>
      <FaceArrows :arrows="arrows" :colour="tone.text" :half="half" />
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
/* A zone shows its own shape, never a box round it. */
.pickable:focus {
  outline: none;
}
.pickable:focus-visible {
  stroke: var(--water);
  stroke-width: 4;
}
.chosen {
  stroke: var(--basin);
  stroke-width: 3.4;
}
/* In the room the words beside it glow, and so does what they speak of. */
.dark .chosen:not(:focus-visible) {
  stroke: var(--glow);
}
@media (forced-colors: active) {
  .face > g > text {
    fill: CanvasText;
  }
}
</style>
