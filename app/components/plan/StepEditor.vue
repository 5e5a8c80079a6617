<script setup lang="ts">
import { STEP_MOST } from '#core/catalogue/rules/visit'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { inWay, techniqueOf } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { roundingWords } from '#core/dosing/amount'
import { doseOf } from '#core/dosing/layers'
import type { PlanInput } from '#core/planning/input'
import { rankedBottles } from '#core/planning/today/bottles'
import { confirmationsFor } from '#core/screening/consent/confirm'
import { minutes, SHORTEST_STEP } from '#core/units'

/** Minutes, passes, setting and bottle of the chosen step. */
const props = defineProps<{ step: PlanStep; input: PlanInput; may: boolean }>()
const emit = defineEmits<{ set: [patch: Partial<PlanStep>] }>()
const technique = computed(() => techniqueOf(props.step))
/** The technique itself, and the practice's own ways of it; a way no longer offered while it is in use. */
const ways = computed(() => {
  const { own, technique: from } = props.step
  const offered = (props.input.ways ?? []).filter((way) => way.from === from)
  const all = own && !offered.some(({ id }) => id === own.id) ? [own, ...offered] : offered
  if (all.length === 0) return []
  return [
    { value: '', title: TECHNIQUES[from].name, way: undefined },
    ...all.map((way) => ({ value: way.id, title: way.name, way })),
  ]
})
const setWay = (id: string) =>
  emit('set', inWay(props.step, ways.value.find(({ value }) => value === id)?.way))
const bottles = computed(() => {
  const kind = technique.value.product
  if (!kind) return []
  return rankedBottles(kind, props.input).map(({ product, fits, word }) => ({
    value: product.id,
    title: product.name,
    props: { subtitle: word, disabled: !fits },
  }))
})
const firsts = computed(() => confirmationsFor(technique.value, props.input.verdict))
const amount = computed(() => {
  const { productId } = props.step
  const item = props.input.shelf.find((one) => one.product.id === productId)
  if (!item) return ''
  const own = doseOf(props.step, item.product, props.input)
  const rounding = roundingWords(own)
  return `${own.words}, ${own.grams.toFixed(1)} g${rounding ? `; ${rounding}` : ''}`
})
</script>

<template>
  <VSelect
    v-if="ways.length > 0"
    :model-value="step.own?.id ?? ''"
    :items="ways"
    label="Done as"
    density="compact"
    :disabled="!may"
    @update:model-value="setWay"
  />
  <div class="row edit">
    <NumberEdit
      :key="`${step.key} minutes`"
      label="Minutes"
      :value="step.minutes"
      :least="SHORTEST_STEP"
      :most="STEP_MOST.minutes"
      :step="SHORTEST_STEP"
      :disabled="!may"
      @change="(to) => emit('set', { minutes: minutes(to) })"
    />
    <NumberEdit
      v-if="technique.passes"
      :key="`${step.key} passes`"
      label="Passes"
      :value="step.passes ?? 1"
      :least="1"
      :most="STEP_MOST.passes"
      :step="1"
      :disabled="!may"
      @change="(passes) => emit('set', { passes })"
    />
    <NumberEdit
      v-if="technique.setting"
      :key="`${step.key} setting`"
      :label="`${technique.setting.label} ${technique.setting.unit}`"
      :value="step.setting ?? technique.setting.start"
      :least="0"
      :most="STEP_MOST.setting"
      :step="technique.setting.step"
      :disabled="!may"
      @change="(setting) => emit('set', { setting })"
    />
  </div>
  <VSelect
    v-if="technique.product"
    :model-value="step.productId"
    :items="bottles"
    label="Product"
    density="compact"
    :disabled="!may"
    @update:model-value="(productId: string) => emit('set', { productId })"
  />
  <p v-if="amount" class="soft figures">{{ amount }}</p>
  <p v-for="first in firsts" :key="first.say" class="first"><b>First</b> {{ first.say }}</p>
</template>
