<script setup lang="ts">
import { MOST_A_WEEK } from '#core/catalogue/rules/recovery'
import { WORK_ELSEWHERE_IDS, WORK_ELSEWHERE_NAMES } from '#core/catalogue/consultation/elsewhere'
import { HOME_STRENGTHS, HOME_STRENGTH_IDS } from '#core/catalogue/home/nightRows'
import { TOLD_MOMENTS, TOLD_MOMENT_IDS } from '#core/catalogue/consultation/told'
import type { Finding } from '#core/catalogue/consultation/findings'
import { INGREDIENTS, INGREDIENT_IDS } from '#core/catalogue/products/ingredients'
import { zonesOf, REGION_NAMES } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { DateTime } from 'luxon'
import { useVisit } from '~/stores/visit'
import { perWeekFrom, toggled, type Answer } from '#core/screening/asking/answers'
import { USUAL_USE } from '#core/home/asked'
import { addDays } from '#core/screening/asking/days'
import { toldMoment } from '#core/screening/asking/told'

/** What a yes is asked further: when, how often, what, where, to what. */
const props = defineProps<{
  asks: Finding['asks']
  answer: Answer
  disabled: boolean
  today: string
}>()
const emit = defineEmits<{ more: [patch: Partial<Answer>] }>()
const LONGEST_NAME = 60
const visit = useVisit()
const wants = (what: Finding['asks'][number]) => props.asks.includes(what)
const hasZone = (region: RegionId) =>
  zonesOf(region).some((zone) => props.answer.zones?.includes(zone))
const toggleZone = (region: RegionId) =>
  emit('more', { zones: toggled(props.answer.zones ?? [], zonesOf(region)) })
const works = computed(() =>
  WORK_ELSEWHERE_IDS.map((id) => ({
    id,
    name: WORK_ELSEWHERE_NAMES[id],
    on: props.answer.work?.includes(id) ?? false,
    toggle: () => emit('more', { work: toggled(props.answer.work ?? [], [id]) }),
  })),
)
const substances = computed({
  get: () => [...(props.answer.substances ?? [])],
  set: (words: string[]) => {
    const named = words.map((word) => word.trim().slice(0, LONGEST_NAME)).filter(Boolean)
    emit('more', { substances: named })
  },
})
const known = INGREDIENT_IDS.filter((id) => INGREDIENTS[id].allergen).map(
  (id) => INGREDIENTS[id].name,
)
const setDate = (date: string) => emit('more', { date: date || undefined, at: undefined })
const zone = computed(() => visit.bundle?.practice.timeZone ?? 'local')
/** The usual moments at home; any hour of the day may be named as well. */
const moments = computed(() =>
  TOLD_MOMENT_IDS.map((id) => {
    const { words: word, daysBack } = TOLD_MOMENTS[id]
    return {
      word,
      at: toldMoment(id, props.today, zone.value),
      date: addDays(props.today, -daysBack),
    }
  }),
)
const hour = computed(() =>
  props.answer.at === undefined
    ? ''
    : DateTime.fromMillis(props.answer.at, { zone: zone.value }).toFormat('HH:mm'),
)
function setHour(typed: string) {
  const date = props.answer.date ?? props.today
  const moment = DateTime.fromISO(`${date}T${typed}`, { zone: zone.value })
  emit('more', { date, at: moment.isValid ? moment.toMillis() : undefined })
}
const setOften = (typed: string) => emit('more', { perWeek: perWeekFrom(typed) })
</script>

<template>
  <div class="more">
    <DayField
      v-if="wants('date')"
      whole
      :model-value="answer.date ?? ''"
      label="When"
      density="compact"
      :max="today"
      :disabled="disabled"
      class="when"
      @update:model-value="setDate"
    />
    <TimeField
      v-if="wants('hour')"
      :model-value="hour"
      label="At"
      density="compact"
      :disabled="disabled"
      class="hour"
      @update:model-value="setHour"
    />
    <div v-if="wants('hour')" class="zones" role="group" aria-label="When it was">
      <ToggleChip
        v-for="moment in moments"
        :key="moment.word"
        :on="answer.at === moment.at"
        :disabled="disabled"
        @click="emit('more', { date: moment.date, at: moment.at })"
        >{{ moment.word }}</ToggleChip
      >
    </div>
    <DayField
      v-if="wants('ahead')"
      whole
      :model-value="answer.date ?? ''"
      label="On"
      density="compact"
      :min="today"
      :disabled="disabled"
      class="when"
      @update:model-value="setDate"
    />
    <VTextField
      v-if="wants('perWeek')"
      :model-value="answer.perWeek ?? ''"
      type="number"
      min="1"
      :max="MOST_A_WEEK"
      label="Evenings a week"
      density="compact"
      :disabled="disabled"
      class="when"
      @update:model-value="setOften"
    />
    <div v-if="wants('strength')" class="zones" role="group" aria-label="How strong">
      <ToggleChip
        v-for="id in HOME_STRENGTH_IDS"
        :key="id"
        :on="(answer.strength ?? USUAL_USE.strength) === id"
        :disabled="disabled"
        @click="emit('more', { strength: id })"
        >{{ HOME_STRENGTHS[id].word }}</ToggleChip
      >
    </div>
    <div v-if="wants('work')" class="zones" role="group" aria-label="What">
      <span class="soft">What:</span>
      <ToggleChip
        v-for="work in works"
        :key="work.id"
        :on="work.on"
        :disabled="disabled"
        @click="work.toggle"
        >{{ work.name }}</ToggleChip
      >
    </div>
    <div v-if="wants('zones')" class="zones" role="group" aria-label="Where">
      <span class="soft">Where:</span>
      <ToggleChip
        v-for="region in REGION_IDS"
        :key="region"
        :on="hasZone(region)"
        :disabled="disabled"
        @click="toggleZone(region)"
        >{{ REGION_NAMES[region] }}</ToggleChip
      >
    </div>
    <VCombobox
      v-if="wants('substances')"
      v-model="substances"
      :items="known"
      label="To what"
      multiple
      chips
      closable-chips
      variant="outlined"
      density="compact"
      hide-details
      :disabled="disabled"
    />
  </div>
</template>

<style scoped>
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  padding: 8px 0 4px;
  align-items: center;
}
.more > :last-child {
  flex: 1 1 100%;
}
.when {
  max-width: 200px;
  min-width: 160px;
}
.hour {
  max-width: 120px;
}
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
