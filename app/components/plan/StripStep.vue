<script setup lang="ts">
import { mdiPin } from '@mdi/js'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { doseOf } from '#core/dosing/layers'
import { nameRegions } from '#core/face/regions'
import type { PlanFinding } from '#core/planning/checks/check'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'
import { isLink } from '#core/planning/steps/link'

/** One step on the strip: what, how long, where and how much; what stands against it, or why it is. */
const props = defineProps<{
  step: PlanStep
  input: PlanInput
  findings: readonly PlanFinding[]
  may: boolean
}>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const technique = computed(() => TECHNIQUES[props.step.technique])
const first = computed(() => props.findings[0])
const mend = computed(() => (props.may ? first.value?.mends[0] : undefined))

const amount = computed(() => {
  const { productId, regions } = props.step
  const item = props.input.shelf.find((one) => one.product.id === productId)
  if (!item || regions.length === 0) return ''
  return doseOf(props.step, item.product, props.input).words
})
const passes = computed(() => {
  const count = props.step.passes
  return count ? `${count} ${count === 1 ? 'pass' : 'passes'}` : ''
})
const setting = computed(() => {
  const { setting: own } = technique.value
  if (!own || props.step.setting === undefined) return ''
  const { unit, label } = own
  return unit ? `${props.step.setting} ${unit}` : `${label.toLowerCase()} ${props.step.setting}`
})
const detail = computed(() => {
  const where = props.step.regions.length > 0 ? nameRegions(props.step.regions) : ''
  return [where, amount.value, passes.value, setting.value].filter(Boolean).join(' · ')
})
</script>

<template>
  <span class="what">
    <VIcon v-if="step.pinned" :icon="mdiPin" size="14" aria-label="pinned" />
    <b>{{ technique.name }}</b>
    <span class="figures min">{{ step.minutes }} min</span>
    <span class="soft det">{{ detail }}</span>
  </span>
  <span v-if="first" class="find">
    <span>{{ first.text }}</span>
    <VBtn
      v-if="mend"
      variant="outlined"
      size="x-small"
      height="24"
      class="mend"
      @click.stop="emit('edit', [...mend.edits])"
      >{{ mend.label }}</VBtn
    >
  </span>
  <em v-else-if="!isLink(step)" class="why">{{ step.why[0]?.text }}</em>
</template>

<style scoped>
.what {
  white-space: nowrap;
  flex: none;
}
.min {
  color: var(--ink-soft);
  margin-left: 8px;
  font-size: 0.8125rem;
}
.det {
  margin-left: 10px;
  font-size: 0.8125rem;
}
.why {
  flex: 0 1 auto;
  min-width: 0;
  text-align: right;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 0.875rem;
}
.find {
  min-width: 0;
  color: var(--berry);
  font-weight: 600;
  font-size: 0.8125rem;
  display: flex;
  gap: 8px;
  align-items: flex-start;
  overflow: hidden;
  white-space: nowrap;
  flex: 0 1 auto;
  max-width: 62%;
}
.find span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.adapt:not(.stop) .find {
  color: var(--amber);
}
.mend {
  font-weight: 700;
  background: var(--chalk);
  flex: none;
}
.tall .what {
  flex: 0 0 auto;
}
.tall .why {
  max-width: 100%;
  align-self: flex-start;
  text-align: left;
}
.tall .find {
  max-width: 100%;
}
</style>
