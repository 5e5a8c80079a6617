<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { mannerOf, strokesFor } from '#core/catalogue/techniques/strokes'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { lightDose } from '#core/dosing/light'
import { nameRegions } from '#core/face/regions'
import type { PlanInput } from '#core/planning/input'
import { foundFor, orderWords, shareWords } from '#core/treatment/step/sequence'
import { lastTimeWords } from '#core/visit/lastTime'
import { daysAgo } from '~/composables/dates'
import { useVisit } from '~/stores/visit'
import { allowance } from '#core/planning/today/allowed'

/** What is known of the chosen step: dose and range today, its cue, its strokes, its reasons. */
const props = defineProps<{
  step: PlanStep
  input: PlanInput
  /** Minutes it rests on the skin, where it rests. */
  rests: number | undefined
}>()
const technique = computed(() => techniqueOf(props.step))
const manner = computed(() => mannerOf(technique.value))
const strokes = computed(() => strokesFor(technique.value, props.step.regions))
const dose = computed(() => {
  const { setting } = props.step
  if (technique.value.device !== 'lamp' || !setting || props.rests === undefined) return ''
  const joules = lightDose(setting, props.rests)
  return `Dose ${joules.toFixed(0)} J/cm²: ${setting} mW/cm² for ${props.rests} min`
})
/** The device's range for this client and these hands. */
const range = computed(() => {
  const own = allowance(props.step, props.input).setting
  const { setting } = technique.value
  if (!own || !setting) return ''
  const words = own.least === own.most ? own.most : `${own.least}–${own.most}`
  return `${setting.label} today ${words} ${setting.unit}`
})
/** How what stays longer on some zones shares out its minutes. */
const shares = computed(() => shareWords(props.step, foundFor(props.step, props.input.profile)))
/** How the same work went at the last visit of this client. */
const before = computed(() => {
  const { lastTime } = useVisit().bundle ?? {}
  const own = lastTime?.times.find((one) => one.technique === props.step.technique)
  return own && lastTime ? `Last time, ${daysAgo(lastTime.at)}: ${lastTimeWords(own)}` : ''
})
</script>

<template>
  <p v-if="before" class="soft figures">{{ before }}</p>
  <SecondLayer :step="step" :input="input" />
  <p v-if="dose" class="soft figures">{{ dose }}</p>
  <p v-if="range" class="soft figures">{{ range }}</p>
  <p v-if="shares" class="soft figures">By zone: {{ shares }}</p>
  <p class="done"><b>Done when</b> {{ technique.cue }}</p>
  <p v-if="technique.restCue" class="done"><b>Off when</b> {{ technique.restCue }}</p>
  <details v-if="manner && strokes.length" class="whys">
    <summary>{{ manner.name }}. {{ orderWords(step) }}</summary>
    <ul>
      <li v-for="stroke in strokes" :key="stroke.text">
        <b>{{ nameRegions(stroke.regions) }}</b> {{ stroke.text }}
      </li>
    </ul>
  </details>
  <details class="whys">
    <summary class="why">{{ step.why[0]?.text }}</summary>
    <ul>
      <li v-for="why in step.why" :key="why.rule + why.text">
        {{ why.text }} <span class="soft">({{ why.rule }})</span>
      </li>
      <li class="soft">Source: {{ technique.source }}</li>
    </ul>
  </details>
</template>

<style scoped>
.done {
  font-size: 0.9375rem;
}
.whys summary {
  cursor: pointer;
  font-size: 0.9375rem;
}
.whys ul {
  padding-left: 18px;
  font-size: 0.875rem;
}
</style>
