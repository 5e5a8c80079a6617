<script setup lang="ts">
import { HOME_STEP_COUNTS } from '#core/catalogue/home/homeSteps'
import { addDays } from '#core/screening/asking/days'
import { toggled, type Answers } from '#core/screening/asking/answers'
import { WEEK_DAYS } from '#core/units'
import type { HomeAsked } from '#core/home/asked'
import { isoDayWords } from '~/composables/dates'

/** What is used at home and what the client will really do; the same questions for both to fill in. */
const asked = defineModel<HomeAsked>({ required: true })
defineProps<{ answers: Answers; disabled: boolean }>()
const set = (change: Partial<HomeAsked>) => {
  asked.value = { ...asked.value, ...change }
}
const CHECKS = [
  { of: 'vitaminC', label: 'Vitamin C in the morning' },
  { of: 'oilAtHome', label: 'Oil, balm or milk takes the day off' },
  { of: 'wearsCover', label: 'Make-up or sun protection most days' },
  { of: 'outdoors', label: 'Outdoors most of the day' },
] as const
/** Any Monday names the days. */
const A_MONDAY = '2024-01-01'
const weekdayName = (day: number) => isoDayWords(addDays(A_MONDAY, day - 1)).replace(/ .*/, '')
const WEEKDAYS = Array.from({ length: WEEK_DAYS }, (_, place) => place + 1)
const setAway = (end: 'from' | 'to', day: string) => {
  const { from, to } = asked.value.away ?? { from: day, to: day }
  const away = { from, to, [end]: day }
  set({ away: day === '' ? null : away.from <= away.to ? away : { from: day, to: day } })
}
const addSun = (day: string) => {
  if (day !== '' && !asked.value.sunDays.includes(day))
    set({ sunDays: [...asked.value.sunDays, day].sort() })
}
const setPhased = (change: Partial<{ name: string; since: string }>) => {
  const next = { ...phasing.value, ...change }
  phasing.value = next
  set({ phased: next.name.trim() && next.since ? next : null })
}
/** What is typed of it so far: it counts once both are there. */
const phasing = ref(asked.value.phased ?? { name: '', since: '' })
</script>

<template>
  <div class="stack">
    <div role="group" aria-label="Steps each time" class="row">
      <span>Steps that will really be done, each time</span>
      <ToggleChip
        v-for="count in HOME_STEP_COUNTS"
        :key="count"
        :on="asked.steps === count"
        :disabled="disabled"
        @click="set({ steps: count })"
        >{{ count }}</ToggleChip
      >
    </div>
    <h3>In the evening now</h3>
    <HomeUses
      :asked="asked"
      :answers="answers"
      :disabled="disabled"
      @change="(uses) => set({ uses })"
    />
    <div class="checks">
      <VCheckbox
        v-for="check in CHECKS"
        :key="check.of"
        :model-value="asked[check.of]"
        :label="check.label"
        hide-details
        density="compact"
        :disabled="disabled"
        @update:model-value="(on) => set({ [check.of]: Boolean(on) })"
      />
    </div>
    <VTextField
      :model-value="asked.usesNow"
      label="What else is used: cleanser, creams, oils"
      :maxlength="600"
      hide-details
      :disabled="disabled"
      @update:model-value="(usesNow: string) => set({ usesNow })"
    />
    <div class="row" role="group" aria-label="Shaving days">
      <span>Shaving days</span>
      <ToggleChip
        v-for="day in WEEKDAYS"
        :key="day"
        :on="asked.shaves.includes(day)"
        :disabled="disabled"
        @click="set({ shaves: toggled(asked.shaves, [day]).sort() })"
        >{{ weekdayName(day) }}</ToggleChip
      >
    </div>
    <div class="pair">
      <DayField
        :model-value="asked.away?.from ?? ''"
        label="Away from home, first day"
        whole
        :disabled="disabled"
        @update:model-value="(day: string) => setAway('from', day)"
      />
      <DayField
        :model-value="asked.away?.to ?? ''"
        label="Away from home, last day"
        whole
        :disabled="disabled"
        @update:model-value="(day: string) => setAway('to', day)"
      />
      <DayField
        :key="asked.sunDays.join()"
        model-value=""
        label="Day of a flight or long sun: add"
        whole
        :disabled="disabled"
        @update:model-value="addSun"
      />
      <div class="row">
        <VChip
          v-for="day in asked.sunDays"
          :key="day"
          closable
          :disabled="disabled"
          @click:close="set({ sunDays: asked.sunDays.filter((own) => own !== day) })"
          >{{ isoDayWords(day) }}</VChip
        >
      </div>
      <VTextField
        :model-value="phasing.name"
        label="A serum taken a month on, a month off"
        :maxlength="80"
        hide-details
        :disabled="disabled"
        @update:model-value="(name: string) => setPhased({ name })"
      />
      <DayField
        :model-value="phasing.since"
        label="First day"
        whole
        :disabled="disabled"
        @update:model-value="(since: string) => setPhased({ since })"
      />
    </div>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 8px 12px;
  align-items: start;
}
.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
</style>
