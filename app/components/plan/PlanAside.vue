<script setup lang="ts">
import { howMany } from '#core/words'
import { mdiPin, mdiPinOutline } from '@mdi/js'
import { handOf, methodOf } from '#core/catalogue/schools/schools'
import { offByLabel } from '#core/tray/linen'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { canPin, placeOf } from '#core/catalogue/techniques/traits'
import { ZONES, type ZoneId } from '#core/face/zones'
import type { LeftOut } from '#core/planning/answer/leftOut'
import { checkPlan } from '#core/planning/checks/check'
import type { PlanInput } from '#core/planning/input'
import { stopping } from '#core/planning/today/bars'
import { earliestDays } from '#core/screening/verdict/earliest'
import type { Edit } from '#core/planning/steps/edit'
import { zoneEdits } from '#core/planning/steps/zones'
import { layColour, noFill } from '~/composables/faceFill'
import { FACE_COLOURS } from '~/theme/colours'

/** The chosen step in full; with none chosen, what was left out. */
const props = defineProps<{
  steps: readonly PlanStep[]
  input: PlanInput
  chosen: string | null
  may: boolean
  left: readonly LeftOut[]
}>()
const emit = defineEmits<{
  edit: [edits: Edit[]]
  add: [id: TechniqueId]
  exchange: [id: TechniqueId]
  choose: [key: string | null]
  compare: []
}>()
const check = computed(() => checkPlan(props.input, props.steps))
const place = computed(() => props.steps.findIndex((one) => one.key === props.chosen))
const step = computed(() => props.steps[place.value])
const technique = computed(() => (step.value ? techniqueOf(step.value) : undefined))
const hand = computed(() => {
  const method = methodOf(props.input.school, props.input.policy)
  const labels = offByLabel(props.input, props.steps, place.value)
  if (labels.length > 0) return labels.join(' ')
  return technique.value ? handOf(method, technique.value) : ''
})
const rests = computed(() => {
  const resting = check.value.trace.schedule.resting.find((one) => one.key === props.chosen)
  return resting && resting.end - resting.start
})
/** Of the plan as a whole; before there is one nothing is missing from it. */
const ofPlan = computed(() =>
  props.steps.length > 0 ? check.value.findings.filter(({ key }) => key === undefined) : [],
)
const ofStep = computed(() =>
  step.value ? check.value.findings.filter((finding) => finding.key === step.value?.key) : [],
)

const colours = computed(() => {
  const all = noFill()
  if (step.value) layColour(all, step.value, FACE_COLOURS.planned)
  const { half } = step.value ?? {}
  for (const { regions } of ofStep.value) layColour(all, { regions, half }, FACE_COLOURS.barred)
  return all
})
const waits = computed(() => earliestDays(stopping(props.input.verdict), props.input.today))
const onBody = computed(() => technique.value?.groups[0] === 'body')

function set(patch: Partial<PlanStep>) {
  if (step.value) emit('edit', [{ do: 'set', key: step.value.key, patch }])
}
function toggle(zone: ZoneId) {
  const [region] = ZONES[zone].regions
  if (!props.may || !step.value || !region || onBody.value) return
  emit('edit', zoneEdits(props.steps, step.value.key, region))
}
function takeOut() {
  if (step.value) emit('edit', [{ do: 'remove', key: step.value.key }])
}
const passOn = (edits: Edit[]) => emit('edit', edits)
</script>

<template>
  <aside class="aside" aria-label="Step and skin">
    <template v-if="step && technique">
      <div class="between">
        <h2>{{ technique.name }}</h2>
        <VBtn variant="text" size="small" height="32" @click="emit('choose', null)">Close</VBtn>
      </div>
      <p class="soft hand">{{ hand }}</p>
      <StepEditor :step="step" :input="input" :may="may" @set="set" />
      <FindingCard
        v-for="finding in ofStep"
        :key="finding.rule + finding.text"
        :finding="finding"
        :may="may"
        source
        @edit="passOn"
      />
      <StepFacts :step="step" :input="input" :rests="rests" />
      <div class="facebox">
        <FaceDrawing
          v-bind="colours"
          :pick="may && !onBody"
          :label="`Zones: ${placeOf(step) || 'none'}`"
          @zone="toggle"
        />
      </div>
      <StepSides v-if="may && !onBody" :step="step" :steps="steps" @edit="passOn" />
      <div v-if="may" class="between">
        <VBtn
          v-if="canPin(step.technique)"
          variant="text"
          size="small"
          height="32"
          :prepend-icon="step.pinned ? mdiPin : mdiPinOutline"
          :aria-pressed="step.pinned === true"
          @click="set({ pinned: !step.pinned })"
          >{{ step.pinned ? 'Pinned: stays as it is' : 'Pin as it is' }}</VBtn
        >
        <VBtn variant="text" color="error" size="small" height="32" @click="takeOut"> Remove </VBtn>
      </div>
    </template>
    <template v-else>
      <FindingCard
        v-for="finding in ofPlan"
        :key="finding.rule"
        :finding="finding"
        :may="may"
        @edit="passOn"
      />
    </template>
    <LeftOutList
      v-if="may && !step"
      :left="left"
      :input="input"
      @add="(id) => emit('add', id)"
      @exchange="(id) => emit('exchange', id)"
      @compare="emit('compare')"
    />
    <details v-if="waits.length" class="waiting">
      <summary>Not before: {{ howMany(waits.length, 'kind') }} of work</summary>
      <NotBefore :waits="waits" />
    </details>
    <PlanSums :steps="steps" :input="input" :check="check" />
  </aside>
</template>

<style scoped>
.waiting summary {
  min-height: 32px;
  cursor: pointer;
}
.aside {
  border-left: 1px solid var(--line);
  background: var(--paper-warm);
  padding: 10px 16px 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.aside > :deep(.v-input) {
  flex: none;
}
.hand {
  font-size: 0.9375rem;
}
.facebox {
  height: 200px;
  flex: none;
}
</style>
