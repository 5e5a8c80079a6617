<script setup lang="ts">
import { fromMilliseconds } from '#core/units'
import { nameWhere } from '#core/face/sides'
import type { RestingOnFace } from '#core/treatment/order/atHand'
import { LATE_WORDS, REST_WORDS } from '#core/treatment/order/offNext'
import { elapsed } from '~/composables/dates'
import { restingColour } from '~/composables/room/restingColours'
import { useRoom } from '~/stores/room'

/** One mask as a vessel that drains: the dashes are its earliest minute, the floor its latest. */
const props = defineProps<{ resting: RestingOnFace }>()
const HEIGHT = 298
const clip = useId()
const room = useRoom()
const colour = computed(() => restingColour(room.state, props.resting.key))
/** To the half minute. */
const whole = (minutes: number) => Math.round(minutes * 2) / 2
const share = (minutes: number) => Math.min(1, minutes / props.resting.latest) * HEIGHT
const drained = computed(() => Math.min(HEIGHT - 2, share(fromMilliseconds(props.resting.ms))))
const earliest = computed(() => `translate(0 ${share(props.resting.earliest)})`)
</script>

<template>
  <div class="vessel" :class="resting.word">
    <svg viewBox="0 0 84 300" preserveAspectRatio="none" aria-hidden="true">
      <clipPath :id="clip">
        <path d="M2 2h80v256c0 22-18 40-40 40S2 280 2 258z" />
      </clipPath>
      <g :clip-path="`url(#${clip})`">
        <rect width="84" height="300" fill="var(--cellar)" />
        <rect width="84" height="300" :fill="colour" :y="drained" />
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
    <div class="words">
      <p>
        <b>{{ resting.name }}</b> <span class="dim">{{ nameWhere(resting) }}</span>
      </p>
      <p class="row line">
        <span class="clock serif figures">{{ elapsed(resting.ms) }}</span>
        <span class="word">{{ REST_WORDS[resting.late][resting.word] }}</span>
        <b v-if="resting.joules !== undefined" class="figures"
          >{{ resting.joules.toFixed(1) }} J/cm²</b
        >
      </p>
      <p class="dim figures">
        from {{ whole(resting.earliest) }}, off by {{ whole(resting.latest) }} min ·
        {{
          resting.comesOffFirst ? 'take it off now: it stings or reddens' : LATE_WORDS[resting.late]
        }}
      </p>
      <p class="dim">{{ resting.cue }}</p>
    </div>
  </div>
</template>

<style scoped>
.vessel {
  width: 100%;
  display: flex;
  gap: 14px;
  line-height: 1.22;
}
svg {
  width: 44px;
  height: 132px;
  flex: none;
}
.words {
  min-width: 0;
}
.line {
  align-items: baseline;
  gap: 2px 12px;
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
</style>
