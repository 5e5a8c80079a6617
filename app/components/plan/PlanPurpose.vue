<script setup lang="ts">
import { CONCERN_NAMES } from '#core/catalogue/kinds'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { zonesOf } from '#core/face/regions'
import type { ZoneId } from '#core/face/zones'
import type { Composed } from '#core/planning/answer/composed'
import { basinOf, BOWLS } from '#core/planning/checks/basins'
import { checkPlan } from '#core/planning/checks/check'
import type { PlanInput } from '#core/planning/input'
import { INTENTION_COLOURS } from '~/theme/colours'

/** What the visit is for, where on the face, and what it pours into the skin. */
const props = defineProps<{
  composed: Composed
  input: PlanInput
  steps: readonly PlanStep[]
  /** The step that is looked at, where one is: the basins are shown down to it. */
  chosen: string | null
}>()
const check = computed(() => checkPlan(props.input, props.steps))
const place = computed(() => props.steps.findIndex((one) => one.key === props.chosen))
const step = computed(() => props.steps[place.value])
const bowls = computed(() =>
  BOWLS.map(({ region, name }) => {
    const steps = place.value < 0 ? undefined : place.value + 1
    return { region, name, ...basinOf(props.input, check.value, region, steps) }
  }),
)
/** Each zone in the colour of the first wish that works on it. */
const fill = computed(() => {
  const zones: Partial<Record<ZoneId, string>> = {}
  for (const [at, { regions }] of [...props.composed.intentions.entries()].reverse())
    for (const zone of regions.flatMap(zonesOf)) zones[zone] = INTENTION_COLOURS[at]?.face
  return zones
})
const COUNT = ['no wish', 'one wish', 'two wishes', 'three wishes'] as const
const later = computed(() => props.composed.later.map((id) => CONCERN_NAMES[id]).join(', '))
const carries = computed(() => COUNT[props.composed.intentions.length] ?? '')
const edgeOf = (at: number) => ({ borderLeftColor: INTENTION_COLOURS[at]?.edge })
</script>

<template>
  <section class="purpose" aria-label="What this visit is for">
    <h2>What this visit is for</h2>
    <ol class="plainlist cards">
      <li v-for="(one, at) in composed.intentions" :key="one.id" :style="edgeOf(at)">
        <b
          >{{ at + 1 }} <span class="name">{{ one.name }}</span></b
        >
        <span class="soft words">{{ one.words }}</span>
        <span v-if="one.idle && steps.length" class="idle">nothing in this plan works for it</span>
      </li>
    </ol>
    <p v-if="later" class="soft later">
      Also asked for: {{ later }}. {{ input.slotMinutes }} minutes carry {{ carries }}.
    </p>
    <div class="facebox">
      <FaceDrawing :fill="fill" label="Where the visit works" />
    </div>
    <p class="soft fine">
      {{ step ? 'Skin load by zone after this step' : 'Skin load by zone after this visit' }}
    </p>
    <div class="row bowls">
      <BasinBowl v-for="{ region, ...bowl } in bowls" :key="region" v-bind="bowl" />
    </div>
  </section>
</template>

<style scoped>
.purpose {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 2px 0 12px 20px;
}
h2 {
  font-size: 1.05rem;
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.cards li {
  background: var(--paper);
  border-left: 8px solid var(--line);
  border-radius: 4px 10px 10px 4px;
  padding: 6px 10px;
  display: flex;
  flex-direction: column;
}
.name {
  display: inline-block;
}
.name::first-letter {
  text-transform: uppercase;
}
.words {
  font-size: 0.875rem;
  line-height: 1.25;
}
.idle {
  color: var(--clay-deep);
  font-size: 0.875rem;
}
.later {
  font-size: 0.875rem;
}
.facebox {
  height: 200px;
  flex: none;
}
.bowls {
  justify-content: space-between;
  gap: 0;
  flex-wrap: wrap;
}
.fine {
  font-size: 0.8125rem;
  text-align: center;
}
@media (max-width: 1000px) {
  .purpose {
    padding: 2px 24px 8px;
  }
  .cards {
    flex-direction: row;
    flex-wrap: wrap;
  }
  .cards li {
    flex: 1 1 220px;
  }
  .facebox,
  .fine,
  .bowls {
    display: none;
  }
}
</style>
