<script setup lang="ts">
import { BOWLS, type Basin } from '#core/planning/checks/basins'
import { toHundredths } from '#core/units'
import { BASIN_COLOURS } from '~/theme/colours'

/** How full a plan makes the four bowls, small: the edge of each is what that skin bears. */
const props = defineProps<{ basins: readonly Basin[] }>()
const bowls = computed(() =>
  props.basins.map(({ before, today, tolerance }, at) => {
    const sum = before + today
    const share = tolerance > 0 ? sum / tolerance : sum > 0 ? 2 : 0
    const over = share > 1
    return {
      name: BOWLS[at]?.name ?? '',
      y: 2 + 12 * (1 - Math.min(1, share)),
      colour: over ? BASIN_COLOURS.over : BASIN_COLOURS.today,
      line: over ? BASIN_COLOURS.overLine : BASIN_COLOURS.desk.line,
      words: `${BOWLS[at]?.name} ${toHundredths(share)} %`,
    }
  }),
)
const words = computed(() => `Bowls: ${bowls.value.map((bowl) => bowl.words).join(', ')}`)
const clip = useId()
</script>

<template>
  <svg viewBox="0 0 112 18" role="img" :aria-label="words">
    <title>{{ words }}</title>
    <clipPath :id="clip"><path d="M2 2h20c0 8-4 13-10 13S2 10 2 2z" /></clipPath>
    <g v-for="(bowl, at) in bowls" :key="bowl.name" :transform="`translate(${at * 28})`">
      <g :clip-path="`url(#${clip})`">
        <rect width="24" height="18" :fill="BASIN_COLOURS.desk.bowl" />
        <rect width="24" height="18" :y="bowl.y" :fill="bowl.colour" />
      </g>
      <path d="M2 2c0 8 4 13 10 13s10-5 10-13" fill="none" :stroke="bowl.line" stroke-width="1.4" />
      <path d="M0 2h24" :stroke="bowl.line" stroke-width="2" stroke-linecap="round" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 112px;
  height: 18px;
  flex: none;
}
</style>
