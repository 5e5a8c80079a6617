<script setup lang="ts">
import { fromHundredths } from '#core/units'
import { BASIN_COLOURS } from '~/theme/colours'

/**
 * The bowl that must not overflow: what is still in it from before, what today adds, the tolerance as its
 * edge.
 */
const props = defineProps<{
  name: string
  before: number
  today: number
  tolerance: number
  dark?: boolean
}>()
const scale = computed(() => Math.max(props.tolerance, props.before + props.today, 1))
const level = (height: number) => 34 - (Math.min(height, scale.value) / scale.value) * 30
const over = computed(() => props.before + props.today > props.tolerance)
const tone = computed(() => BASIN_COLOURS[props.dark ? 'room' : 'desk'])
const clip = useId()
const loadWords = (hundredths: number) => fromHundredths(hundredths).toFixed(1)
</script>

<template>
  <div
    class="bowl"
    :class="{ over }"
    :aria-label="`${name}: ${loadWords(before + today)} of ${loadWords(tolerance)}${over ? ', over the tolerance' : ''}`"
    role="img"
  >
    <svg viewBox="0 0 64 40" aria-hidden="true">
      <clipPath :id="clip"><path d="M4 4h56c0 18-11 31-28 31S4 22 4 4z" /></clipPath>
      <g :clip-path="`url(#${clip})`">
        <rect x="0" y="0" width="64" height="40" :fill="tone.bowl" />
        <rect
          x="0"
          :y="level(before + today)"
          width="64"
          height="40"
          :fill="over ? BASIN_COLOURS.over : BASIN_COLOURS.today"
        />
        <rect x="0" :y="level(before)" width="64" height="40" :fill="BASIN_COLOURS.before" />
      </g>
      <path d="M4 4c0 18 11 31 28 31S60 22 60 4" fill="none" :stroke="tone.line" stroke-width="2" />
      <path
        d="M1 4h62"
        :stroke="over ? BASIN_COLOURS.overLine : tone.line"
        stroke-width="3"
        stroke-linecap="round"
      />
    </svg>
    <div class="cap" aria-hidden="true">
      <b>{{ name }}</b><span class="figures"
        >{{ loadWords(before + today) }} of {{ loadWords(tolerance) }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.bowl {
  margin: 0;
  width: 74px;
  text-align: center;
  font-size: 0.8125rem;
  line-height: 1.2;
}
svg {
  width: 66px;
  height: 42px;
}
.cap b {
  display: block;
  font-weight: 650;
}
.over .cap {
  color: var(--berry);
}
</style>
