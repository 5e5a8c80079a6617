<script setup lang="ts">
import { SCHOOLS, SCHOOL_IDS, type SchoolId } from '#core/catalogue/schools/schools'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { useVisit } from '~/stores/visit'

/** What the plan is made by: a protocol, a school, a length; and a step more. */
const emit = defineEmits<{
  school: [school: SchoolId]
  length: [minutes: number]
  add: [id: TechniqueId]
}>()
const LENGTHS = [30, 45, 60, 75, 90]
const SHORTEST = 15
const LONGEST = 180
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const schools = SCHOOL_IDS.map((id) => ({ value: id, title: SCHOOLS[id].name }))
const addable = computed(() =>
  TECHNIQUE_IDS.filter(
    (technique) =>
      !['wait', 'stay'].includes(technique) && !bundle.value?.policy.without.includes(technique),
  ).map((technique) => ({ value: technique, title: TECHNIQUES[technique].name })),
)
const wrong = ref('')
function setLength(given: string | number | null) {
  const minutes = Number(given)
  const fits = Number.isInteger(minutes) && minutes >= SHORTEST && minutes <= LONGEST
  wrong.value = fits ? '' : `${SHORTEST} to ${LONGEST} whole minutes`
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
      :items="LENGTHS"
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
      :model-value="null"
      :items="addable"
      label="Add a step"
      density="compact"
      class="add"
      @update:model-value="(id: TechniqueId | null) => id && emit('add', id)"
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
  width: 132px;
}
</style>
