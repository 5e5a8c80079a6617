<script setup lang="ts">
import { INGREDIENTS, INGREDIENT_IDS } from '#core/catalogue/products/ingredients'
import type { Finding } from '#core/catalogue/consultation/findings'
import {
  WORK_ELSEWHERE_IDS,
  WORK_ELSEWHERE_NAMES,
  type WorkElsewhereId,
} from '#core/catalogue/consultation/elsewhere'
import { REGION_NAMES, zonesOf } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import type { Answer } from '#core/screening/answers'

const props = defineProps<{
  finding: Finding
  answer: Answer | undefined
  before: Answer | undefined
  disabled: boolean
  today: string
}>()
const emit = defineEmits<{ answer: [answer: Answer] }>()
const SAYS = [
  ['no', 'No'],
  ['yes', 'Yes'],
  ['unsure', 'Unsure'],
] as const
/**
 * What was said last time is kept as a start, but for the day of a habit: that is always another
 * one by now.
 */
const start = computed(() => {
  const { date, ...rest } = props.before ?? {}
  return props.finding.asks.includes('perWeek') || date === undefined ? rest : { ...rest, date }
})
const say = (s: Answer['say']) =>
  emit('answer', s === 'no' ? { say: s } : { ...start.value, ...props.answer, say: s })
const more = (patch: Partial<Answer>) => emit('answer', { say: 'yes', ...props.answer, ...patch })
const has = (r: RegionId) => zonesOf(r).some((z) => props.answer?.zones?.includes(z))
function zone(r: RegionId) {
  const now = props.answer?.zones ?? []
  const own = zonesOf(r)
  more({ zones: has(r) ? now.filter((z) => !own.includes(z)) : [...now, ...own] })
}
const substances = computed({
  get: () => [...(props.answer?.substances ?? [])],
  set: (v: string[]) => more({ substances: v.map((s) => s.trim().slice(0, 60)).filter(Boolean) }),
})
const known = INGREDIENT_IDS.filter((i) => INGREDIENTS[i].allergen).map((i) => INGREDIENTS[i].name)
const hasWork = (w: WorkElsewhereId) => props.answer?.work?.includes(w) ?? false
const work = (w: WorkElsewhereId) =>
  more({
    work: hasWork(w)
      ? (props.answer?.work ?? []).filter((x) => x !== w)
      : [...(props.answer?.work ?? []), w],
  })
/** Empty and out of range both mean that no rhythm is known. */
const often = (v: string) => {
  const n = Math.round(Number(v))
  more({ perWeek: n >= 1 && n <= 14 ? n : undefined })
}
const wants = (what: Finding['asks'][number]) =>
  props.answer?.say === 'yes' && props.finding.asks.includes(what)
const changedSince = computed(
  () => props.before && props.answer && props.before.say !== props.answer.say,
)
</script>

<template>
  <li class="q">
    <div class="line">
      <span :id="`q-${finding.id}`" class="ask"
        >{{ finding.question }}
        <em v-if="changedSince" class="why">was {{ before?.say }} last time</em
        ><em v-else-if="before && before.say !== 'no' && !answer" class="why"
          >last time: {{ before.say }}</em
        ></span
      >
      <div class="says" role="radiogroup" :aria-labelledby="`q-${finding.id}`">
        <label v-for="[key, name] in SAYS" :key="key" :class="[key, { on: answer?.say === key }]"
          ><input
            type="radio"
            :name="finding.id"
            :value="key"
            :checked="answer?.say === key"
            :disabled="disabled"
            @change="say(key)"
          />{{ name }}</label
        >
      </div>
    </div>
    <div v-if="answer?.say === 'yes' && finding.asks.length" class="more">
      <VTextField
        v-if="wants('date')"
        :model-value="answer?.date ?? ''"
        type="date"
        label="When"
        density="compact"
        :max="today"
        :disabled="disabled"
        class="when"
        @update:model-value="(v: string) => more({ date: v || undefined })"
      />
      <VTextField
        v-if="wants('ahead')"
        :model-value="answer?.date ?? ''"
        type="date"
        label="On"
        density="compact"
        :min="today"
        :disabled="disabled"
        class="when"
        @update:model-value="(v: string) => more({ date: v || undefined })"
      />
      <VTextField
        v-if="wants('perWeek')"
        :model-value="answer?.perWeek ?? ''"
        type="number"
        min="1"
        max="14"
        label="Evenings a week"
        density="compact"
        :disabled="disabled"
        class="when"
        @update:model-value="often"
      />
      <div v-if="wants('work')" class="zones" role="group" aria-label="What">
        <span class="soft">What:</span
        ><button
          v-for="w in WORK_ELSEWHERE_IDS"
          :key="w"
          type="button"
          :class="{ on: hasWork(w) }"
          :aria-pressed="hasWork(w)"
          :disabled="disabled"
          @click="work(w)"
        >
          {{ WORK_ELSEWHERE_NAMES[w] }}
        </button>
      </div>
      <div v-if="wants('zones')" class="zones" role="group" aria-label="Where">
        <span class="soft">Where:</span
        ><button
          v-for="r in REGION_IDS"
          :key="r"
          type="button"
          :class="{ on: has(r) }"
          :aria-pressed="has(r)"
          :disabled="disabled"
          @click="zone(r)"
        >
          {{ REGION_NAMES[r] }}
        </button>
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
  </li>
</template>

<style scoped>
.q {
  border-top: 1px solid var(--line);
  padding: 7px 0;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  align-items: center;
}
.says {
  display: flex;
  flex: none;
  border: 1.5px solid var(--oak-light);
  border-radius: 9px;
  overflow: hidden;
  background: var(--paper);
}
.says label {
  padding: 7px 14px;
  cursor: pointer;
  min-height: 38px;
  display: flex;
  align-items: center;
}
.says label + label {
  border-left: 1px solid var(--line);
}
.says input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.says label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: -3px;
}
.says .on {
  font-weight: 700;
}
.says .on.no {
  background: var(--moss-pale);
}
.says .on.yes {
  background: var(--clay-pale);
}
.says .on.unsure {
  background: var(--amber-pale);
}
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
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.zones button {
  border: 1px solid var(--oak-light);
  border-radius: 16px;
  padding: 5px 12px;
  cursor: pointer;
  min-height: 34px;
  background: var(--paper);
  color: var(--ink);
}
.zones .on {
  background: var(--clay);
  color: var(--chalk);
  border-color: var(--clay);
}
@media (max-width: 620px) {
  .line {
    flex-direction: column;
    align-items: flex-start;
    gap: 6px;
  }
}
</style>
