<script setup lang="ts">
import { nounOf } from '#core/words'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Check } from '#core/planning/checks/check'
import type { PlanInput } from '#core/planning/input'
import { planCostCents } from '#core/planning/question/cost'
import { cents } from '~/composables/money'
import { useVisit } from '~/stores/visit'

/** Minutes, product and findings of the whole plan. */
const props = defineProps<{ steps: readonly PlanStep[]; input: PlanInput; check: Check }>()
const visit = useVisit()
const cost = computed(() =>
  cents(planCostCents(props.input, props.steps), visit.bundle?.practice.currency ?? 'EUR'),
)
const schedule = computed(() => props.check.trace.schedule)
const stopped = computed(() => props.check.findings.some((one) => one.strength === 'stop'))
const count = computed(() => props.check.findings.length)
</script>

<template>
  <dl class="sums figures">
    <div>
      <dt>{{ schedule.total }} of {{ input.slotMinutes }} min</dt>
      <dd>hands idle {{ schedule.idle }}</dd>
    </div>
    <div>
      <dt>{{ cost }}</dt>
      <dd>product</dd>
    </div>
    <div :class="{ bad: stopped }">
      <dt>{{ count }}</dt>
      <dd>{{ nounOf(count, 'finding') }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.sums {
  display: flex;
  justify-content: space-between;
  margin: auto 0 0;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.sums dt {
  font-family: var(--serif);
  font-weight: 650;
  font-size: 1.1rem;
}
.sums dd {
  margin: 0;
  font-size: 0.875rem;
}
.bad dt {
  color: var(--berry);
}
</style>
