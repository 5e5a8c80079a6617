<script setup lang="ts">
import { CONCERN_NAMES } from '#core/catalogue/kinds'
import { shortName } from '#core/catalogue/techniques/traits'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { intentionsOf } from '#core/planning/agenda/intentions'
import { intentionOf } from '#core/planning/answer/composed'
import type { LeftOut } from '#core/planning/answer/leftOut'
import type { PlanInput } from '#core/planning/input'

/** What is not in the plan, by what it would be for, and what it would cost to have it. */
const props = defineProps<{ left: readonly LeftOut[]; input: PlanInput }>()
const emit = defineEmits<{
  add: [id: TechniqueId]
  exchange: [id: TechniqueId]
  compare: []
}>()
/** A reason, or a price, said once for all that it keeps out. */
function byReason(all: readonly LeftOut[]): { text: string; left: LeftOut[] }[] {
  const said = ({ extraMinutes, why }: LeftOut) =>
    extraMinutes ? `takes ${extraMinutes} min more` : why.text
  return [...new Set(all.map(said))].map((text) => ({
    text,
    left: all.filter((one) => said(one) === text),
  }))
}
const namesOf = (all: readonly LeftOut[]) =>
  all.map(({ technique }) => shortName(technique).toLowerCase()).join(', ')
const intended = computed(() => intentionsOf(props.input))
const placeOf = ({ technique }: LeftOut) =>
  props.input.named?.includes(technique) ? 0 : intentionOf(technique, intended.value)
const groups = computed(() =>
  intended.value
    .map(({ id }, at) => ({
      title: `For ${at + 1}, ${CONCERN_NAMES[id]}`,
      reasons: byReason(props.left.filter((one) => placeOf(one) === at)),
    }))
    .filter((group) => group.reasons.length > 0),
)
const others = computed(() => props.left.filter((one) => placeOf(one) === undefined && !one.barred))
/** What this client may not have today. */
const notToday = computed(() =>
  byReason(props.left.filter((one) => placeOf(one) === undefined && one.barred)),
)
const take = (one: LeftOut) =>
  (one.dropsOut?.length ?? 0) > 0 ? emit('exchange', one.technique) : emit('add', one.technique)
</script>

<template>
  <div>
    <div class="between head">
      <h2>Left out</h2>
      <VBtn variant="text" size="small" height="32" @click="emit('compare')">Compare</VBtn>
    </div>
    <section v-for="group in groups" :key="group.title">
      <h3>{{ group.title }}</h3>
      <ul class="plainlist left">
        <LeftOutLine
          v-for="reason in group.reasons"
          :key="reason.text"
          v-bind="reason"
          @take="take"
        />
      </ul>
    </section>
    <section v-if="notToday.length">
      <h2 class="later">Not today</h2>
      <dl>
        <template v-for="{ text, left: barred } in notToday" :key="text">
          <dt>{{ text }}</dt>
          <dd class="soft">{{ namesOf(barred) }}</dd>
        </template>
      </dl>
    </section>
    <details v-if="others.length" class="others">
      <summary>{{ others.length }} more outside the aims of this visit</summary>
      <ul class="plainlist left">
        <LeftOutLine
          v-for="reason in byReason(others)"
          :key="reason.text"
          v-bind="reason"
          @take="take"
        />
      </ul>
    </details>
  </div>
</template>

<style scoped>
.head {
  align-items: center;
}
h2 {
  font-size: 1.05rem;
}
h3 {
  font-size: 0.875rem;
  font-family: var(--sans);
  font-weight: 600;
  color: var(--ink-soft);
  padding-top: 4px;
}
.others summary {
  min-height: 32px;
  padding-top: 8px;
  cursor: pointer;
  font-size: 0.9375rem;
}
.later {
  padding-top: 10px;
}
dt {
  font-family: var(--serif);
  font-style: italic;
  color: var(--clay-deep);
  font-size: 0.875rem;
  line-height: 1.2;
  padding-top: 5px;
}
dd {
  margin: 0;
  font-size: 0.875rem;
}
</style>
