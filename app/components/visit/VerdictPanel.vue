<script setup lang="ts">
import { howMany } from '#core/words'
import { DRANK_RULE } from '#core/catalogue/products/watering'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { FINDINGS } from '#core/catalogue/consultation/findings'
import type { Answers } from '#core/screening/asking/answers'
import { productBars } from '#core/screening/products/products'
import type { Bar, Verdict } from '#core/screening/verdict/verdict'
import { dayAndClock } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/**
 * What may not be done today, grouped by how it stops; earlier work that still rests joins in, and
 * what was set aside keeps its mark.
 */
const props = defineProps<{
  verdict: Verdict
  answers: Answers
  rests: readonly Bar[]
  disabled: boolean
}>()
const visit = useVisit()
const GROUPS = [
  ['prevents', 'Not today'],
  ['local', 'Not there'],
  ['later', 'Later'],
  ['restricts', 'With limits'],
] as const
const known = computed(() => [
  ...props.verdict.bars.filter((bar) => bar.ask === undefined),
  ...props.rests,
])
const asking = computed(() => props.verdict.bars.filter((bar) => bar.ask === 'unsure'))
const stopped = computed(() => props.verdict.prevented.filter((bar) => bar.ask === undefined))
const waits = computed(() => props.verdict.prevented.filter((bar) => bar.ask === 'unsure'))
/** Bottles that an answer keeps on the shelf, each with what it holds. */
const shelved = computed(() =>
  (visit.bundle?.shelf ?? []).flatMap(({ product }) => {
    const suspected = visit.input?.suspected[product.id]
    const bars = [
      ...productBars(product, props.verdict, props.answers),
      ...(suspected === undefined ? [] : [{ text: suspected }]),
    ]
    return bars.length > 0
      ? [
          {
            id: product.id,
            name: product.name,
            why: [...new Set(bars.map((bar) => bar.text))].join(', '),
          },
        ]
      : []
  }),
)
const nameOf = (rule: string) => {
  if (rule === DRANK_RULE) return 'second layer'
  const row = CONTRAINDICATIONS.find((contraindication) => contraindication.id === rule)
  return row ? FINDINGS[row.finding].short : rule
}
const NOT_ANSWERED = ' (not answered yet)'
/**
 * A limit may stand only because a question is open or the answer unsure: the cautious side, and
 * said so.
 */
const doubt = (rule: string) => {
  const finding = CONTRAINDICATIONS.find(
    (contraindication) => contraindication.id === rule,
  )?.finding
  return finding === undefined
    ? ''
    : props.verdict.open.includes(finding)
      ? NOT_ANSWERED
      : props.answers[finding]?.say === 'unsure'
        ? ' (unsure)'
        : ''
}
/** Why this visit is planned gently: what was told, and how much nobody has answered yet. */
const lowered = computed(() => {
  const { open, limitRules } = props.verdict
  const told = limitRules.flatMap(({ rule, limit }) =>
    limit.tolerancePercent === undefined || doubt(rule) === NOT_ANSWERED
      ? []
      : [`${nameOf(rule)}${doubt(rule)}`],
  )
  const unknown = howMany(open.length, 'question is open')
  return [...told, ...(open.length > 0 ? [unknown] : [])].join(', ')
})
const lifts = computed(() => visit.bundle?.lifts ?? [])
/** The first few by name; the whole list stands behind it. */
const SHOWN = 3
const firstShelved = computed(() => {
  const names = shelved.value.slice(0, SHOWN).map((product) => product.name)
  return names.join(', ') + (shelved.value.length > SHOWN ? ' …' : '')
})
</script>

<template>
  <section class="panel stack">
    <h2>What this means today</h2>
    <div v-if="stopped.length" class="prevented">
      <b>No visit today</b>
      <p v-for="bar in stopped" :key="bar.rule">
        {{ bar.sentence }} <span class="soft">{{ bar.reason }}</span>
      </p>
    </div>
    <div v-for="bar in waits" :key="bar.rule" class="prevented">
      <b>Ask before anything else</b>
      <p>{{ bar.sentence }}</p>
    </div>
    <template v-for="[kind, title] in GROUPS" :key="kind">
      <div v-if="known.some((b) => b.does === kind)">
        <h3>{{ title }}</h3>
        <ul class="plainlist">
          <VerdictLine
            v-for="shown in known.filter((x) => x.does === kind)"
            :key="shown.rule + (shown.until ?? '')"
            :bar="shown"
            :disabled="disabled"
          />
        </ul>
      </div>
    </template>
    <div v-if="verdict.throughout.length">
      <h3>All through the visit</h3>
      <ul class="plainlist">
        <li v-for="own in verdict.throughout" :key="own.say" class="bar">{{ own.say }}</li>
      </ul>
    </div>
    <div v-if="asking.length">
      <h3>Ask before</h3>
      <ul class="plainlist">
        <li v-for="shown in asking" :key="shown.rule" class="bar">{{ shown.sentence }}</li>
      </ul>
    </div>
    <details v-if="shelved.length" class="shelved">
      <summary>
        <b>{{ howMany(shelved.length, 'product is') }} not used today</b><br /><span class="soft">{{
          firstShelved
        }}</span>
      </summary>
      <ul class="plainlist">
        <li v-for="product in shelved" :key="product.id">
          {{ product.name }} <span class="soft">{{ product.why }}</span>
        </li>
      </ul>
    </details>
    <div v-if="lifts.length">
      <h3>Overridden for today</h3>
      <ul class="plainlist">
        <li v-for="lift in lifts" :key="lift.rule" class="bar aside">
          <b>{{ nameOf(lift.rule) }}</b>: {{ lift.reason
          }}<template v-if="lift.word"> · {{ lift.word }}</template
          ><br /><span class="soft"
            >{{ lift.by }}, {{ dayAndClock(lift.at, visit.bundle?.practice.timeZone ?? 'UTC') }};
            stays on the record</span
          >
        </li>
      </ul>
    </div>
    <p v-if="verdict.open.length" class="tag watch">
      {{ howMany(verdict.open.length, 'question') }} open: until answered, each counts as ask before
    </p>
    <p
      v-else-if="!known.length && !stopped.length && !asking.length && !waits.length"
      class="tag good"
    >
      No restrictions for the usual treatment
    </p>
    <p v-if="lowered" class="soft">
      Planned {{ verdict.open.length ? 'very gently' : 'gently' }}: {{ lowered }}.
    </p>
    <p class="soft fine">
      An aid to a trained person. Local law, licence, maker's instructions and the client's doctor
      come first.
    </p>
  </section>
</template>

<style scoped>
.prevented {
  background: var(--berry-pale);
  border-left: 5px solid var(--berry);
  border-radius: 8px;
  padding: 10px 12px;
}
.prevented p {
  margin: 4px 0 0;
}
.bar {
  border-left: 4px solid var(--clay);
  padding: 4px 0 4px 10px;
  margin: 6px 0;
}
.aside {
  border-left-color: var(--basin);
}
.shelved summary {
  cursor: pointer;
  border-left: 4px solid var(--clay);
  padding: 4px 0 4px 10px;
}
.shelved li {
  padding: 3px 0 3px 14px;
}
.fine {
  font-size: 0.8125rem;
}
p {
  margin: 0;
}
</style>
