<script setup lang="ts">
import { OFFERED_LENGTHS, VISIT_MINUTES } from '#core/catalogue/rules/visit'
import { isVisitLength } from '#core/timing/places'
import { methodOf, SCHOOLS, SCHOOL_IDS, type SchoolId } from '#core/catalogue/schools/schools'
import type { DoneAs } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { usePlan } from '~/stores/plan'
import { useVisit } from '~/stores/visit'

/** What the plan is made by: a protocol, a school, a length; and a step more. */
const emit = defineEmits<{
  school: [school: SchoolId]
  length: [minutes: number]
  add: [way: TechniqueId | DoneAs]
}>()
const visit = useVisit()
/** What is added while a plan is still on its way would be lost with it. */
const plan = usePlan()
const bundle = computed(() => visit.bundle)
const schools = SCHOOL_IDS.map((id) => ({ value: id, title: SCHOOLS[id].name }))
/** Ways that this house or school works with come before those that it may choose for once. */
const addable = computed(() => {
  const { policy, visit: own } = bundle.value ?? {}
  const uses = own ? methodOf(own.school, policy).uses : new Set<TechniqueId>()
  const may = TECHNIQUE_IDS.filter((id) => !TECHNIQUES[id].idle && !policy?.without.includes(id))
  const other = (id: TechniqueId) => TECHNIQUES[id].byChoice === true && !uses.has(id)
  const ways = bundle.value?.ways ?? []
  return [
    ...[...may.filter((id) => !other(id)), ...may.filter(other)].map((technique) => ({
      value: technique,
      title: TECHNIQUES[technique].name,
    })),
    ...ways
      .filter(({ from }) => may.includes(from))
      .map((own) => ({ value: { technique: own.from, own }, title: own.name })),
  ]
})
/** The field is a fresh one after each step that was added: its search is over. */
const added = ref(0)
function add(way: TechniqueId | DoneAs | null) {
  if (!way) return
  added.value += 1
  emit('add', way)
}
const wrong = ref('')
function setLength(given: string | number | null) {
  const minutes = Number(given)
  const fits = Number.isInteger(minutes) && isVisitLength(minutes)
  wrong.value = fits ? '' : `${VISIT_MINUTES.least} to ${VISIT_MINUTES.most} whole minutes`
  if (fits && minutes !== bundle.value?.visit.minutes) emit('length', minutes)
}
</script>

<template>
  <div v-if="bundle" class="bar row">
    <ProtocolMenu /><VSelect
      :model-value="bundle.visit.school"
      :items="schools"
      label="School"
      density="compact"
      class="school"
      @update:model-value="(school: SchoolId) => emit('school', school)"
    /><VCombobox
      :model-value="bundle.visit.minutes"
      :items="OFFERED_LENGTHS"
      label="Minutes"
      variant="outlined"
      hide-details
      inputmode="numeric"
      density="compact"
      class="length"
      :error="wrong !== ''"
      :title="wrong || 'Length of the visit'"
      @update:model-value="setLength"
    /><VAutocomplete
      :key="added"
      :model-value="null"
      :items="addable"
      label="Add a step"
      :disabled="plan.thinking"
      density="compact"
      class="add"
      @update:model-value="add"
    />
  </div>
</template>

<style scoped>
.bar {
  flex-wrap: nowrap;
  gap: 6px;
  margin-top: 8px;
}
.school {
  width: 160px;
}
.length {
  width: 104px;
}
.add {
  width: 168px;
}
@media (max-width: 1000px) {
  .bar {
    flex-wrap: wrap;
  }
}
</style>
