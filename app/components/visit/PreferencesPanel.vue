<script setup lang="ts">
import {
  PREFERENCES,
  type PreferenceId,
  type Preferences,
} from '#core/catalogue/consultation/preferences'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** Comfort and daily life: kept on the file from visit to visit, changed by a tap. */
const visit = useVisit()
const b = computed(() => visit.bundle)
const may = computed(() => b.value?.may.write === true && b.value.visit.status !== 'sealed')
const chosen = computed<Preferences>(() => b.value?.client.preferences ?? {})
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
  } catch (e) {
    trouble.value = sayProblem(e)
  }
}
const said = computed(
  () =>
    PREFERENCES.flatMap((p) => p.choices.find((c) => c.value === chosen.value[p.id])?.word ?? [])
      .length,
)
</script>

<template>
  <details v-if="b" class="panel">
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
      <div v-for="p in PREFERENCES.filter((x) => x.about === about)" :key="p.id" class="line">
        <span :id="`p-${p.id}`">{{ p.name }}</span>
        <div class="row" role="group" :aria-labelledby="`p-${p.id}`">
          <button
            v-for="c in p.choices"
            :key="c.value"
            type="button"
            :class="{ on: chosen[p.id] === c.value }"
            :aria-pressed="chosen[p.id] === c.value"
            :disabled="!may"
            @click="choose(p.id, c.value)"
          >
            {{ c.word }}
          </button>
        </div>
      </div>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
summary h2 {
  display: inline;
}
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
button {
  border: 1.5px solid var(--oak-light);
  border-radius: 18px;
  padding: 5px 13px;
  min-height: 38px;
  background: var(--paper);
  color: var(--ink);
  cursor: pointer;
}
.on {
  background: var(--basin);
  border-color: var(--basin);
  color: var(--chalk);
}
</style>
