<script setup lang="ts">
import { HOME_STEPS, HOME_STEP_IDS, type HomeStepId } from '#core/catalogue/home/homeSteps'
import {
  KEPT_LEVELS,
  PACK_LEFT,
  PACK_LEFT_IDS,
  type PackLeft,
} from '#core/catalogue/rules/adherence'
import type { Adherence } from '#core/home/adherence'
import type { HomeAsked } from '#core/home/asked'
import type { HomeRoutine } from '#core/home/routine'
import { isoDayWords } from '~/composables/dates'

/** How the last routine went, by what can be seen; and what is left of its packs. */
const packs = defineModel<HomeAsked['packs']>({ required: true })
const props = defineProps<{
  adherence: Adherence
  routine: HomeRoutine
  disabled: boolean
}>()
const level = computed(() => KEPT_LEVELS[props.adherence.level])
/** Steps of the routine for which a product was named. */
const named = computed(() => {
  const lines = [...props.routine.morning, ...props.routine.evening]
  return HOME_STEP_IDS.flatMap((id) => {
    const product = lines.find((line) => line.id === id)?.product
    return product ? [{ id, label: `${HOME_STEPS[id].name}: ${product}` }] : []
  })
})
const LEFT = PACK_LEFT_IDS.map((id) => ({ value: id, title: PACK_LEFT[id].words }))
function set(id: HomeStepId, left: PackLeft | null) {
  const { [id]: _before, ...others } = packs.value
  packs.value = left ? { ...others, [id]: left } : others
}
</script>

<template>
  <section class="panel stack">
    <h2>
      Home care <span class="soft count">{{ level.words }}</span>
    </h2>
    <ul v-if="adherence.signs.length" class="plainlist">
      <li v-for="sign in adherence.signs" :key="sign.say">
        <span class="tag" :class="sign.speaks === 'for' ? 'calm' : 'watch'">{{
          sign.speaks === 'for' ? 'for it' : 'against it'
        }}</span>
        {{ sign.say }}
      </li>
    </ul>
    <p v-if="level.advice">{{ level.advice }}</p>
    <details v-if="named.length">
      <summary>What is left of the packs</summary>
      <p class="soft">Counted from new packs on {{ isoDayWords(routine.from) }}.</p>
      <VSelect
        v-for="own in named"
        :key="own.id"
        class="mt-2"
        :model-value="packs[own.id] ?? null"
        :items="LEFT"
        :label="own.label"
        density="compact"
        hide-details
        clearable
        :disabled="disabled"
        @update:model-value="(left: PackLeft | null) => set(own.id, left)"
      />
    </details>
  </section>
</template>

<style scoped>
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
</style>
