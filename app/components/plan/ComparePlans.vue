<script setup lang="ts">
import { inPercent } from '#core/units'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { changedMains, type Comparison } from '#core/planning/answer/compare'
import type { PlanInput } from '#core/planning/input'
import { daysAgo } from '~/composables/dates'
import { compareAside } from '~/composables/planner'

/**
 * The same client at three lengths and in the four schools, beside today's plan; and what more
 * minutes would bring.
 */
const props = defineProps<{
  input: PlanInput
  steps: readonly PlanStep[]
  schoolName: string
  before: { at: number; steps: PlanStep[] } | null
}>()
const emit = defineEmits<{ close: [] }>()
const found = ref<Comparison | null>(null)
const trouble = ref('')
onMounted(async () => {
  try {
    found.value = await compareAside(props.input)
  } catch {
    trouble.value = 'The comparison failed. Try again.'
  }
})
const now = computed(() => new Set(props.steps.map((step) => step.technique)))
const groups = computed(() =>
  found.value
    ? [
        { title: `Three lengths, ${props.schoolName}`, list: found.value.lengths },
        { title: `The schools, ${props.input.slotMinutes} minutes`, list: found.value.schools },
      ]
    : [],
)
function changeWords(row: { was: number | null; is: number | null }): string {
  if (row.was === null) return `new, ${row.is} min`
  if (row.is === null) return `${row.was} min then, not today`
  return row.was === row.is ? `${row.is} min as then` : `${row.was} → ${row.is} min`
}
const last = computed(() =>
  props.before
    ? {
        ago: daysAgo(props.before.at),
        rows: changedMains(props.before.steps, props.steps).map((row) => ({
          ...row,
          change: changeWords(row),
        })),
      }
    : null,
)
/** The longest bar's share of its line. */
const BAR_SIZE = 0.7
/** What each further ten minutes add, against the longest. */
const bars = computed(() => {
  const curve = found.value?.curve ?? []
  const most = Math.max(1, ...curve.map((point) => point.value ?? 0))
  return curve.map((point) => ({
    ...point,
    share: point.value === null ? 0 : inPercent(point.value, most),
  }))
})
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="1120"
    aria-label="Compare plans"
    @update:model-value="emit('close')"
    @keydown.esc="emit('close')"
  >
    <VCard class="pa-5 sheet">
      <div class="between">
        <h2>Last visit, other lengths, other schools</h2>
        <VBtn variant="text" @click="emit('close')">Close</VBtn>
      </div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p v-else-if="!found" class="soft" role="status">Comparing…</p>
      <template v-else>
        <section v-if="last">
          <h3>Against the last visit, {{ last.ago }}</h3>
          <ul class="plainlist last">
            <li
              v-for="row in last.rows"
              :key="row.technique"
              :class="{ other: row.was === null, gone: row.is === null }"
            >
              <span>{{ row.name }}</span><span class="figures soft">{{ row.change }}</span>
            </li>
          </ul>
        </section>
        <section>
          <h3>What more minutes add</h3>
          <ul
            class="plainlist curve figures"
            aria-label="Share of the ninety-minute plan by minutes"
          >
            <li v-for="point in bars" :key="point.slot">
              <span
                class="bar"
                :style="{ height: `${point.share * BAR_SIZE}px` }"
                :class="{ here: point.slot === input.slotMinutes }"
              /><b>{{ point.value === null ? 'does not fit' : `${point.share} %` }}</b
              ><span class="soft">{{ point.slot }} min</span>
            </li>
          </ul>
        </section>
        <section v-for="group in groups" :key="group.title">
          <h3>{{ group.title }}</h3>
          <div
            class="cols"
            :style="{ gridTemplateColumns: `repeat(${group.list.length}, minmax(0, 1fr))` }"
          >
            <article v-for="offered in group.list" :key="offered.name">
              <h4>
                {{ offered.name }}
                <span class="soft figures">{{
                  offered.failed ? '' : `${offered.minutes} min`
                }}</span>
              </h4>
              <p v-if="offered.failed" class="tag watch">{{ offered.failed }}</p>
              <ul class="plainlist">
                <li
                  v-for="(main, i) in offered.mains"
                  :key="i"
                  :class="{ other: !now.has(main.technique) }"
                >
                  {{ main.name }} <span class="soft figures">{{ main.minutes }}</span><span
                    v-if="!now.has(main.technique)"
                    class="sr"
                    >, not in today's plan</span
                  >
                </li>
              </ul>
            </article>
          </div>
        </section>
        <OtherCamps :input="input" />
        <p class="soft fine">
          Bold: not in today's plan. Every column is a full plan of its own; the safety rules are
          the same in all of them.
        </p>
      </template>
    </VCard>
  </VDialog>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow-y: auto;
}
.curve {
  display: flex;
  gap: 14px;
  align-items: flex-end;
  min-height: 126px;
  margin-top: 8px;
}
.curve li {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  min-width: 66px;
}
.bar {
  width: 40px;
  background: var(--basin-mid);
  border-radius: 5px 5px 0 0;
}
.bar.here {
  background: var(--basin);
}
.cols {
  display: grid;
  gap: 12px;
  margin-top: 6px;
}
article {
  border: 1px solid var(--line);
  border-radius: 10px;
  padding: 10px 12px;
}
h4 {
  font-family: var(--serif);
  font-size: 1rem;
  margin: 0 0 4px;
}
li {
  padding: 1px 0;
}
.other {
  font-weight: 700;
}
.fine {
  font-size: 0.8125rem;
}
p {
  margin: 0;
}
.last {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 2px 22px;
  margin-top: 6px;
}
.last li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px solid var(--line);
}
.gone {
  color: var(--ink-soft);
  text-decoration: line-through;
  text-decoration-color: var(--oak-light);
}
@media (max-width: 760px) {
  .cols {
    grid-template-columns: 1fr 1fr !important;
  }
}
</style>
