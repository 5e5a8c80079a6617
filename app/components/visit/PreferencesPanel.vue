<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import {
  PREFERENCES,
  type PreferenceId,
  type Preferences,
} from '#core/catalogue/consultation/preferences'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** Comfort and daily life: kept on the file from visit to visit, changed by a tap. */
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'preferences'),
)
const chosen = computed<Preferences>(() => bundle.value?.client.preferences ?? {})
const trouble = ref('')
const ABOUT = [
  ['comfort', 'Comfort'],
  ['life', 'Daily life'],
] as const
async function choose(id: PreferenceId, value: string) {
  const { [id]: before, ...rest } = chosen.value
  trouble.value = ''
  try {
    await visit.send('/preferences', 'PUT', {
      preferences: before === value ? rest : { ...rest, [id]: value },
    })
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const said = computed(
  () =>
    PREFERENCES.flatMap(
      (preference) =>
        preference.choices.find((choice) => choice.value === chosen.value[preference.id])?.word ??
        [],
    ).length,
)
</script>

<template>
  <details v-if="bundle" class="panel">
    <summary>
      <h2>
        Comfort and daily life
        <span class="soft count">{{
          said ? `${said} of ${PREFERENCES.length} known` : 'not asked yet'
        }}</span>
      </h2>
    </summary>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-for="[about, title] in ABOUT" :key="about" class="about">
      <h3>{{ title }}</h3>
      <div
        v-for="preference in PREFERENCES.filter((x) => x.about === about)"
        :key="preference.id"
        class="line"
      >
        <span :id="`p-${preference.id}`">{{ preference.name }}</span>
        <div class="row" role="group" :aria-labelledby="`p-${preference.id}`">
          <ToggleChip
            v-for="choice in preference.choices"
            :key="choice.value"
            :on="chosen[preference.id] === choice.value"
            :disabled="!may"
            @click="choose(preference.id, choice.value)"
            >{{ choice.word }}</ToggleChip
          >
        </div>
      </div>
    </div>
  </details>
</template>

<style scoped>
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
.about {
  margin-top: 12px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 6px 0;
  flex-wrap: wrap;
}
.row {
  gap: 6px;
}
</style>
