<script setup lang="ts">
import { fromMilliseconds } from '#core/units'
import { nameRegions } from '#core/face/regions'
import type { RestingOnFace } from '#core/treatment/atHand'
import { LATE_WORDS } from '#core/treatment/offNext'
import { elapsed } from '~/composables/dates'

/** One mask as a vessel that drains: the dashes are its earliest minute, the floor its latest. */
const props = defineProps<{ resting: RestingOnFace }>()
const HEIGHT = 298
const WORDS = {
  working: 'working',
  mayComeOff: 'may come off',
  due: 'off now',
  late: 'late: off now',
} as const
const clip = useId()
const whole = (minutes: number) => Math.round(minutes * 2) / 2
const share = (minutes: number) => Math.min(1, minutes / props.resting.latest) * HEIGHT
const drained = computed(() => Math.min(HEIGHT - 2, share(fromMilliseconds(props.resting.ms))))
const earliest = computed(() => `translate(0 ${share(props.resting.earliest)})`)
</script>

<template>
  <div class="vessel" :class="resting.word">
    <svg viewBox="0 0 84 300" aria-hidden="true">
      <clipPath :id="clip">
        <path d="M2 2h80v256c0 22-18 40-40 40S2 280 2 258z" />
      </clipPath>
      <g :clip-path="`url(#${clip})`">
        <rect width="84" height="300" fill="var(--cellar)" />
        <rect width="84" height="300" fill="var(--enamel-water)" :y="drained" />
      </g>
      <path
        d="M2 2v256c0 22 18 40 40 40s40-18 40-40V2"
        fill="none"
        stroke="var(--brass-light)"
        stroke-width="2"
      />
      <path
        d="M2 0h80"
        :transform="earliest"
        stroke="var(--glow)"
        stroke-width="3"
        stroke-dasharray="7 5"
      />
    </svg>
    <b>{{ resting.name }}</b>
    <span class="dim">{{ nameRegions(resting.regions) }}</span>
    <span class="clock serif figures">{{ elapsed(resting.ms) }}</span>
    <span class="dim figures"
      >from {{ whole(resting.earliest) }}, off by {{ whole(resting.latest) }}</span
    >
    <span class="word">{{ WORDS[resting.word] }}</span>
    <span class="dim">{{ resting.cue }}</span>
    <span class="dim">{{
      resting.shortened ? 'shortened: it stung' : LATE_WORDS[resting.late]
    }}</span>
  </div>
</template>

<style scoped>
.vessel {
  width: 118px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  line-height: 1.25;
}
svg {
  width: 84px;
  height: 260px;
}
.dim {
  color: var(--candle-dim);
}
.clock {
  font-size: 1.6rem;
}
.word {
  color: var(--leaf);
  font-weight: 650;
}
.mayComeOff .word {
  color: var(--glow);
}
.due .word,
.late .word {
  color: var(--coal-ink);
  background: var(--coal);
  border-radius: 6px;
  padding: 2px 8px;
}
@media (max-height: 820px) and (min-width: 1001px) {
  svg {
    height: 150px;
  }
}
</style>
