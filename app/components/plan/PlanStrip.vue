<script setup lang="ts">
import { useDisplay } from 'vuetify'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { checkPlan } from '#core/planning/checks/check'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'
import { minutes, SHORTEST_STEP } from '#core/units'
import { useDragging } from '~/composables/plan/dragging'
import { stripLayout, UPRIGHT, WIDE } from '~/composables/plan/strip'
import { isLink } from '#core/planning/steps/link'
import { SURFACE_COLOURS } from '~/theme/colours'

/** The protocol as a strip of cloth, read from top to bottom: skin, hands, what rests. */
const props = defineProps<{
  steps: readonly PlanStep[]
  input: PlanInput
  chosen: string | null
  may: boolean
}>()
const emit = defineEmits<{ choose: [key: string]; edit: [edits: Edit[]] }>()
const TALL = 44
/** A band lower than this has no room for its words. */
const BAND_TEXT = 17
const UPRIGHT_FROM = 900
const LANE = { width: 76, gap: 80 } as const
const list = ref<HTMLElement | null>(null)
const check = computed(() => checkPlan(props.input, props.steps))
const { width } = useDisplay()
const upright = computed(() => width.value <= UPRIGHT_FROM)
const layout = computed(() => stripLayout(props.steps, check.value, upright.value ? UPRIGHT : WIDE))
const lanes = computed(() => Math.max(1, ...layout.value.rests.map((rest) => rest.lane + 1)))
const restsWidth = computed(() => `${lanes.value * LANE.gap + 4}px`)
const findingsOf = (key: string) => check.value.findings.filter((finding) => finding.key === key)
const colourOf = (id: string) => SURFACE_COLOURS[id as keyof typeof SURFACE_COLOURS]

const bandStyle = (band: { id: string; top: number; height: number }) => ({
  top: `${band.top}px`,
  height: `${band.height}px`,
  background: colourOf(band.id),
})

const lines = computed(() =>
  props.steps.map((step, i) => {
    const findings = findingsOf(step.key)
    const height = layout.value.heights[i] ?? 0
    const start = layout.value.starts[i] ?? ''
    return {
      step,
      findings,
      style: { height: `${height}px` },
      marks: {
        tall: height >= TALL || (upright.value && !isLink(step)),
        link: isLink(step),
        chosen: step.key === props.chosen,
        stop: findings.some((finding) => finding.strength === 'stop'),
        adapt: findings.length > 0,
      },
      label:
        `${start} min: ${TECHNIQUES[step.technique].name}, ${step.minutes} min. ` +
        (findings[0]?.text ?? ''),
    }
  }),
)

/** When each step begins; what only connects begins with the step it stands before. */
const times = computed(() =>
  props.steps.flatMap((step, i) =>
    isLink(step)
      ? []
      : [
          {
            key: step.key,
            start: layout.value.starts[i] ?? '',
            style: { top: `${layout.value.tops[i] ?? 0}px` },
          },
        ],
  ),
)
const focus = (place: number) => (list.value?.children[place] as HTMLElement | undefined)?.focus()
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
useDragging(list, () => props.may, move)

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
  <div class="strip" :class="{ close: layout.close }" :style="{ '--rests': restsWidth }">
    <div class="heads">
      <span />
      <h2>Skin</h2>
      <h2>
        Hands <span class="soft keys">Alt+↑↓ moves, + − minutes, Del takes out, Enter opens</span>
      </h2>
      <h2>Resting</h2>
    </div>
    <div class="cloth" :style="{ height: `${layout.total}px` }">
      <div class="times figures" aria-hidden="true">
        <span v-for="time in times" :key="time.key" :style="time.style">{{ time.start }}</span>
      </div>
      <div class="skin" aria-hidden="true">
        <div v-for="band in layout.skin" :key="band.top" :style="bandStyle(band)">
          {{ band.height < BAND_TEXT ? '' : band.text }}
        </div>
      </div>
      <ol ref="list" class="hands" aria-label="Steps">
        <li
          v-for="(line, i) in lines"
          :key="line.step.key"
          tabindex="0"
          :style="line.style"
          :class="line.marks"
          :aria-label="line.label"
          :aria-current="line.marks.chosen ? 'true' : undefined"
          @click="emit('choose', line.step.key)"
          @keydown.self="onKey($event, i)"
        >
          <StripStep
            :step="line.step"
            :input="input"
            :findings="line.findings"
            :may="may"
            @edit="(edits) => emit('edit', edits)"
          />
        </li>
      </ol>
      <StripRests :rests="layout.rests" :lane-width="LANE.width" />
    </div>
  </div>
</template>

<style scoped src="./strip.css"></style>
