<script setup lang="ts">
import type { Direction } from '#core/catalogue/techniques/directions'
import type { Side } from '#core/face/sides'
import { ZONES, type ZoneId } from '#core/face/zones'
import { MIDDLE, SHAPES } from './outlines'

/** Which way the hand goes: one arrow on each zone, on both sides of the middle. */
const props = defineProps<{
  arrows: Partial<Record<ZoneId, Direction>>
  colour: string
  /** The half that is worked, where it is one alone. */
  half?: Side
}>()
const LENGTH = 26
const BARB = 7
const ASIDE = 20

interface Arrow {
  key: string
  d: string
}
const all = computed(() =>
  SHAPES.flatMap(({ zone, centre }): Arrow[] => {
    const direction = props.arrows[zone]
    if (!direction) return []
    const [x, y] = centre
    const own = ZONES[zone].side
    if (own !== 'mid' && props.half && own !== props.half) return []
    if (own !== 'mid') return [arrow(zone, x, y, Math.sign(x - MIDDLE), direction)]
    if (direction.out === 0) return [arrow(zone, x, y, 1, direction)]
    // The client's left is on the right of one who looks at us.
    const sides = props.half ? [props.half === 'L' ? 1 : -1] : [1, -1]
    return sides.map((side) => arrow(`${zone}${side}`, MIDDLE + side * ASIDE, y, side, direction))
  }),
)
function arrow(key: string, x: number, y: number, side: number, { out, up }: Direction): Arrow {
  const size = Math.hypot(out, up) || 1
  const [along, down] = [(out / size) * side, -up / size]
  const tip = [x + (along * LENGTH) / 2, y + (down * LENGTH) / 2] as const
  const barb = (turn: number) =>
    `L${tip[0] - BARB * (along + turn * down)},${tip[1] - BARB * (down - turn * along)}`
  const from = `M${x - (along * LENGTH) / 2},${y - (down * LENGTH) / 2}`
  return {
    key,
    d: `${from}L${tip[0]},${tip[1]}M${tip[0]},${tip[1]}${barb(1)}M${tip[0]},${tip[1]}${barb(-1)}`,
  }
}
</script>

<template>
  <g fill="none" :stroke="colour" stroke-width="2.4" stroke-linecap="round" opacity="0.85">
    <path v-for="own in all" :key="own.key" :d="own.d" />
  </g>
</template>
