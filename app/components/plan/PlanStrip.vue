<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useDisplay } from 'vuetify'
import type { PhaseId } from '#core/catalogue/techniques/phases'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Composed } from '#core/planning/answer/composed'
import { checkPlan } from '#core/planning/checks/check'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'
import { minutes, SHORTEST_STEP } from '#core/units'
import { detailOf } from '~/composables/plan/lines'
import { stripSides, stripWords } from '~/composables/plan/strip'
import { SURFACE_COLOURS } from '~/theme/colours'

/** The visit as a strip of cloth, read from top to bottom: skin, hands, what rests. */
const props = defineProps<{
  steps: readonly PlanStep[]
  input: PlanInput
  composed: Composed
  chosen: string | null
  may: boolean
}>()
const emit = defineEmits<{ choose: [key: string]; edit: [edits: Edit[]] }>()
const LANE = { width: 76, gap: 80 } as const
/** Pixels beside the hands: the clock, the skin, the gaps; and the columns beside the strip. */
const BESIDE = { clock: 34, skin: 86, gaps: 24, frame: 14 } as const
/** Before it is measured, and however narrow. */
const USUAL_WIDTH = 660
const LEAST_WIDTH = 200
const CLOTH = { flat: 620, upright: 900 } as const
const UPRIGHT_FROM = 1000
const root = ref<HTMLElement | null>(null)
const check = computed(() => checkPlan(props.input, props.steps))
const unfolded = ref<ReadonlySet<PhaseId>>(new Set())
const { width: window } = useDisplay()
const { width: wide } = useElementSize(root, { width: 0, height: 0 })
const lanes = computed(() => {
  const { resting } = check.value.trace.schedule
  return Math.max(
    1,
    ...resting.map(
      (rest, i) => 1 + resting.slice(0, i).filter(({ end }) => end > rest.start).length,
    ),
  )
})
const restsWidth = computed(() => lanes.value * LANE.gap + 4)
const handsWidth = computed(() => {
  const { clock, skin, gaps, frame } = BESIDE
  return Math.max(
    LEAST_WIDTH,
    (wide.value || USUAL_WIDTH) - clock - skin - gaps - frame - restsWidth.value,
  )
})
const words = computed(() =>
  stripWords(
    props.composed.phases,
    check.value,
    (step) => detailOf(step, props.input),
    {
      cloth: window.value <= UPRIGHT_FROM ? CLOTH.upright : CLOTH.flat,
      width: handsWidth.value,
    },
    unfolded.value,
  ),
)
/** Where the blocks really stand: words may take less room than was kept for them. */
const stand = ref<number[]>([])
const hands = ref<HTMLElement | null>(null)
const { height: tall } = useElementSize(hands)
function measure() {
  const top = hands.value?.getBoundingClientRect().top ?? 0
  stand.value = words.value.blocks.map(({ lines: [first] }) => {
    const own = hands.value?.querySelector(`[data-place="${first?.place ?? ''}"]`)
    return own ? own.getBoundingClientRect().top - top : 0
  })
}
watch([words, tall, hands], measure, { flush: 'post', immediate: true })
const sides = computed(() => {
  const { blocks, total } = words.value
  const real = stand.value.length === blocks.length && tall.value > 0
  const end = real ? tall.value : total
  const placed = blocks.map((block, i) => {
    const top = real ? (stand.value[i] ?? 0) : block.top
    return {
      ...block,
      top,
      height: (real ? (stand.value[i + 1] ?? end) : top + block.height) - top,
    }
  })
  return stripSides({ ...words.value, blocks: placed, total: end }, check.value)
})

const colourOf = (id: string) => SURFACE_COLOURS[id as keyof typeof SURFACE_COLOURS]
const bandStyle = (band: { id: string; top: number; height: number }) => ({
  top: `${band.top}px`,
  height: `${band.height}px`,
  background: colourOf(band.id),
})

const focus = (place: number) =>
  root.value?.querySelector<HTMLElement>(`[data-place="${place}"]`)?.focus()
/** Puts a step where another one stands now; the others close up. */
function move(from: number, to: number) {
  const step = props.steps[from]
  if (!step || to < 0 || to >= props.steps.length) return
  const before = props.steps[to > from ? to + 1 : to]?.key ?? null
  emit('edit', [{ do: 'move', key: step.key, before }])
}
function moveBy(from: number, by: number) {
  move(from, from + by)
  void nextTick(() => focus(from + by))
}
function lengthen(step: PlanStep, by: number) {
  const to = minutes(Math.max(SHORTEST_STEP, step.minutes + by))
  emit('edit', [{ do: 'set', key: step.key, patch: { minutes: to } }])
}
function fold(id: PhaseId) {
  const next = new Set(unfolded.value)
  if (!next.delete(id)) next.add(id)
  unfolded.value = next
}

function onKey(event: KeyboardEvent, place: number) {
  const step = props.steps[place]
  if (!step) return
  const open = () => emit('choose', step.key)
  const go = (by: number) => (event.altKey && props.may ? moveBy(place, by) : focus(place + by))
  const changes: Record<string, () => void> = {
    '+': () => lengthen(step, SHORTEST_STEP),
    '-': () => lengthen(step, -SHORTEST_STEP),
    Delete: () => emit('edit', [{ do: 'remove', key: step.key }]),
  }
  const keys: Record<string, () => void> = {
    Enter: open,
    ' ': open,
    ArrowDown: () => go(1),
    ArrowUp: () => go(-1),
    ...(props.may ? changes : {}),
  }
  const run = keys[event.key]
  if (!run) return
  event.preventDefault()
  run()
}
</script>

<template>
  <div ref="root" class="strip" :style="{ '--rests': `${restsWidth}px` }">
    <span id="strip-keys" class="sr"
      >Enter opens the step. Plus and minus change its minutes, Alt and an arrow move it, Delete
      removes it.</span
    >
    <div class="cloth">
      <div class="times figures" aria-hidden="true">
        <span v-for="time in sides.times" :key="time.key" :style="{ top: `${time.top}px` }">{{
          time.start
        }}</span>
      </div>
      <div class="skin" aria-hidden="true">
        <div v-for="band in sides.skin" :key="band.top" :style="bandStyle(band)">
          {{ band.text }}
        </div>
      </div>
      <div ref="hands" class="hands">
        <StripPhase
          v-for="phase in words.phases"
          :key="phase.id"
          :phase="phase"
          :chosen="chosen"
          :may="may"
          :unfolded="unfolded.has(phase.id)"
          @choose="(key: string) => emit('choose', key)"
          @edit="(edits: Edit[]) => emit('edit', edits)"
          @fold="fold(phase.id)"
          @move="move"
          @key="onKey"
        />
      </div>
      <StripRests :rests="sides.rests" :lane-width="LANE.width" />
    </div>
    <p v-if="may && steps.length" class="soft keys">
      Tap a step to see where, how and why, and to change it. Alt+↑↓ moves it, + − its minutes,
      Delete removes it
    </p>
  </div>
</template>

<style scoped>
.cloth {
  display: grid;
  grid-template-columns: 34px 86px minmax(0, 1fr) var(--rests);
  column-gap: 8px;
  position: relative;
}
.hands {
  align-self: start;
}
.times span {
  position: absolute;
  left: 0;
  width: 32px;
  text-align: right;
  font-size: 0.875rem;
  color: var(--ink-soft);
  padding-top: 3px;
}
.skin {
  position: relative;
}
.skin div {
  position: absolute;
  inset-inline: 0;
  padding: 3px 4px 0 8px;
  font-size: 0.75rem;
  line-height: 1.15;
  border-left: 5px solid rgb(74 54 38 / 25%);
  overflow: hidden;
}
.keys {
  font-size: 0.8125rem;
  padding-top: 6px;
}
@media (max-width: 1000px) {
  .keys {
    display: none;
  }
}
@media (forced-colors: active) {
  .skin div {
    forced-color-adjust: none;
  }
}
</style>
