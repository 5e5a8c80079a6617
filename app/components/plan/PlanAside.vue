<script setup lang="ts">
import { mdiPin, mdiPinOutline } from '@mdi/js'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { handOf, methodOf } from '#core/catalogue/schools/schools'
import { mannerOf, strokesFor } from '#core/catalogue/techniques/strokes'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { lightDose } from '#core/dosing/light'
import { amountFor } from '#core/dosing/amount'
import { nameRegions, zonesOf } from '#core/face/regions'
import type { RegionId, ZoneId } from '#core/face/zones'
import { ZONES } from '#core/face/zones'
import { checkPlan } from '#core/planning/checks/check'
import { planCostCents } from '#core/planning/question/cost'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'
import { allowance } from '#core/planning/today/allowed'
import type { LeftOut } from '#core/planning/answer/leftOut'
import { canPin } from '#core/catalogue/techniques/traits'

const props = defineProps<{
  steps: readonly PlanStep[]
  input: PlanInput
  chosen: string | null
  may: boolean
  left: readonly LeftOut[]
}>()
const emit = defineEmits<{
  edit: [edits: Edit[]]
  add: [id: TechniqueId]
  choose: [key: string | null]
  compare: []
}>()
const check = computed(() => checkPlan(props.input, props.steps))
const step = computed(() => props.steps.find((s) => s.key === props.chosen))
const t = computed(() => (step.value ? TECHNIQUES[step.value.technique] : undefined))
const method = computed(() => methodOf(props.input.school, props.input.policy))
const hand = computed(() => (t.value ? handOf(method.value, t.value) : ''))
const manner = computed(() => (t.value ? mannerOf(t.value) : undefined))
const strokes = computed(() =>
  t.value && step.value ? strokesFor(t.value, step.value.regions) : [],
)
/** The device's range for this client and these hands. */
const range = computed(() =>
  step.value ? allowance(step.value.technique, props.input).setting : undefined,
)
const rests = computed(() => check.value.trace.schedule.resting.find((r) => r.key === props.chosen))
const dose = computed(() =>
  t.value?.device === 'lamp' && step.value?.setting && rests.value
    ? lightDose(step.value.setting, rests.value.end - rests.value.start)
    : null,
)
const BOWLS: readonly [RegionId, string][] = [
  ['forehead', 'Forehead'],
  ['cheekL', 'Cheek L'],
  ['cheekR', 'Cheek R'],
  ['chin', 'Chin'],
]
/** What the steps down to the chosen one have poured in; with none chosen, the whole plan. */
const upTo = computed(() => {
  const i = props.steps.findIndex((s) => s.key === props.chosen)
  return i < 0 ? props.steps.length : i + 1
})
const bowl = (r: RegionId) => ({
  before: props.input.residual[r],
  today: check.value.trace.states.slice(0, upTo.value).reduce((sum, s) => sum + s.loads[r], 0),
  tolerance: check.value.tolerances[r].hundredths,
})
const fill = computed(() => {
  const f: Partial<Record<ZoneId, string>> = {}
  for (const r of step.value?.regions ?? []) for (const z of zonesOf(r)) f[z] = '#A8CFCB'
  for (const x of check.value.findings.filter((y) => y.key === props.chosen))
    for (const r of x.regions) for (const z of zonesOf(r)) f[z] = '#E2B3A6'
  return f
})
const cost = computed(() => planCostCents(props.input, props.steps))
const amount = computed(() => {
  const s = step.value
  const item = props.input.shelf.find((x) => x.product.id === s?.productId)
  return s && item
    ? { name: item.product.name, ...amountFor(item.product, s.regions, props.input.faceSize) }
    : null
})
const options = computed(() =>
  props.input.shelf
    .filter((x) => x.product.kind === t.value?.product)
    .map((x) => ({ value: x.product.id, title: x.product.name })),
)
const set = (patch: Partial<PlanStep>) => {
  if (step.value) emit('edit', [{ do: 'set', key: step.value.key, patch }])
}
function toggle(zone: ZoneId) {
  const s = step.value
  const r = ZONES[zone].regions[0]
  if (!props.may || !s || !r || t.value?.groups[0] === 'body') return
  set({ regions: s.regions.includes(r) ? s.regions.filter((x) => x !== r) : [...s.regions, r] })
}
const general = computed(() => check.value.findings.filter((f) => f.key === undefined))
const own = computed(() =>
  check.value.findings.filter((f) => f.key !== undefined && f.key === props.chosen),
)
</script>

<template>
  <aside class="aside" aria-label="Step and skin">
    <template v-if="step && t">
      <div class="between">
        <h2>{{ t.name }}</h2>
        <VBtn variant="text" size="small" height="32" @click="emit('choose', null)">Close</VBtn>
      </div>
      <p class="soft hand">{{ hand }}</p>
      <div class="row edit">
        <NumberEdit
          :key="`${step.key} minutes`"
          label="Minutes"
          :value="step.minutes"
          :least="0.5"
          :most="90"
          :step="0.5"
          :disabled="!may"
          @change="(v) => set({ minutes: v })"
        /><NumberEdit
          v-if="t.passes"
          :key="`${step.key} passes`"
          label="Passes"
          :value="step.passes ?? 1"
          :least="1"
          :most="9"
          :step="1"
          :disabled="!may"
          @change="(v) => set({ passes: v })"
        /><NumberEdit
          v-if="t.setting"
          :key="`${step.key} setting`"
          :label="`${t.setting.label} ${t.setting.unit}`"
          :value="step.setting ?? t.setting.start"
          :least="0"
          :most="1000"
          :step="t.setting.step"
          :disabled="!may"
          @change="(v) => set({ setting: v })"
        />
      </div>
      <VSelect
        v-if="t.product"
        :model-value="step.productId"
        :items="options"
        label="Product"
        density="compact"
        :disabled="!may"
        @update:model-value="(v: string) => set({ productId: v })"
      />
      <p v-if="amount" class="soft figures">
        {{ amount.words }}, {{ amount.grams.toFixed(1) }} g{{
          Math.abs(amount.roundingPercent) >= 5
            ? `; rounding ${amount.roundingPercent > 0 ? '+' : ''}${amount.roundingPercent} %`
            : ''
        }}
      </p>
      <div v-for="f in own" :key="f.rule + f.text" class="finding" :class="f.strength">
        <b>{{ f.text }}</b><span class="soft">{{ f.source }}</span
        ><span v-if="may" class="row"
          ><VBtn
            v-for="m in f.mends"
            :key="m.label"
            size="small"
            height="32"
            color="primary"
            @click="emit('edit', [...m.edits])"
            >{{ m.label
            }}{{ m.minutes ? ` (${m.minutes > 0 ? '+' : ''}${m.minutes} min)` : '' }}</VBtn
          ></span
        >
      </div>
      <p v-if="dose !== null" class="soft figures">
        Dose {{ dose.toFixed(0) }} J/cm²: {{ step.setting }} mW/cm² for
        {{ rests ? rests.end - rests.start : 0 }} min
      </p>
      <p v-if="range && t.setting" class="soft figures">
        {{ t.setting.label }} today
        {{ range.least === range.most ? range.most : `${range.least}–${range.most}` }}
        {{ t.setting.unit }}
      </p>
      <p class="done"><b>Done when</b> {{ t.cue }}</p>
      <details v-if="manner && strokes.length" class="whys">
        <summary>{{ manner.name }}: {{ manner.order }}</summary>
        <ul>
          <li v-for="x in strokes" :key="x.text">
            <b>{{ nameRegions(x.regions) }}</b> {{ x.text }}
          </li>
        </ul>
      </details>
      <details class="whys">
        <summary class="why">{{ step.why[0]?.text }}</summary>
        <ul>
          <li v-for="w in step.why" :key="w.rule + w.text">
            {{ w.text }} <span class="soft">({{ w.rule }})</span>
          </li>
          <li class="soft">Source: {{ t.source }}</li>
        </ul>
      </details>
      <div class="facebox">
        <FaceDrawing
          :fill="fill"
          :pick="may && t.groups[0] !== 'body'"
          :label="`Zones: ${nameRegions(step.regions)}`"
          @zone="toggle"
        />
      </div>
      <div v-if="may" class="between">
        <VBtn
          v-if="canPin(step.technique)"
          variant="text"
          size="small"
          height="32"
          :prepend-icon="step.pinned ? mdiPin : mdiPinOutline"
          :aria-pressed="step.pinned === true"
          @click="set({ pinned: !step.pinned })"
          >{{ step.pinned ? 'Pinned: stays as it is' : 'Pin as it is' }}</VBtn><VBtn
          variant="text"
          color="error"
          size="small"
          height="32"
          @click="emit('edit', [{ do: 'remove', key: step.key }])"
          >Take out</VBtn
        >
      </div>
    </template>
    <template v-else>
      <div v-for="f in general" :key="f.rule" class="finding" :class="f.strength">
        <b>{{ f.text }}</b><span v-if="may" class="row"
          ><VBtn
            v-for="m in f.mends"
            :key="m.label"
            size="small"
            height="32"
            color="primary"
            @click="emit('edit', [...m.edits])"
            >{{ m.label }}</VBtn
          ></span
        >
      </div>
      <div class="facebox"><FaceDrawing label="The client's face" /></div>
      <p class="soft">Tap a step to see where, how, why, and to change it.</p>
    </template>
    <p v-if="step" class="soft fine">In the basins after this step</p>
    <div class="row bowls">
      <BasinBowl v-for="[r, name] in BOWLS" :key="r" :name="name" v-bind="bowl(r)" />
    </div>
    <div v-if="may">
      <div class="between head">
        <h2 class="lefthead">Left out</h2>
        <VBtn variant="text" size="small" height="32" @click="emit('compare')">Compare</VBtn>
      </div>
      <ul v-if="left.length" class="plainlist left">
        <li v-for="l in left" :key="l.technique">
          <span>{{ l.name.replace(/ on$/, '') }}</span><em>{{
            l.extraMinutes ? `+ ${l.extraMinutes} min` : l.why.text
          }}</em
          ><button
            v-if="may && l.why.rule !== 'scope'"
            type="button"
            :aria-label="`Add ${l.name}`"
            @click="emit('add', l.technique)"
          >
            add
          </button>
        </li>
      </ul>
    </div>
    <dl class="sums figures">
      <div>
        <dt>{{ check.trace.schedule.total }} of {{ input.slotMinutes }} min</dt>
        <dd>hands idle {{ check.trace.schedule.idle }}</dd>
      </div>
      <div>
        <dt>€ {{ (cost / 100).toFixed(2) }}</dt>
        <dd>product</dd>
      </div>
      <div :class="{ bad: check.findings.some((f) => f.strength === 'stop') }">
        <dt>{{ check.findings.length }}</dt>
        <dd>findings</dd>
      </div>
    </dl>
  </aside>
</template>

<style scoped>
.aside {
  border-left: 1px solid var(--line);
  background: #fbf7ef;
  padding: 10px 16px 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
p {
  margin: 0;
}
.hand {
  font-size: 0.9375rem;
}
.facebox {
  height: 200px;
  flex: none;
}
.bowls {
  justify-content: space-between;
  gap: 2px;
  flex-wrap: nowrap;
}
.lefthead {
  font-size: 1.05rem;
}
.head {
  align-items: center;
}
.finding {
  border-left: 5px solid var(--amber);
  background: #fbf2e0;
  border-radius: 7px;
  padding: 7px 10px;
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 0.9375rem;
}
.finding.stop {
  border-left-color: var(--berry);
  background: #f9e9ec;
}
.fine {
  font-size: 0.8125rem;
  text-align: center;
}
.done {
  font-size: 0.9375rem;
}
.whys summary {
  cursor: pointer;
  font-size: 0.9375rem;
}
.whys ul {
  padding-left: 18px;
  font-size: 0.875rem;
}
.left {
  max-height: max(190px, calc(100dvh - 560px));
  overflow-y: auto;
}
.left li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 3px 0;
  font-size: 0.9375rem;
  align-items: baseline;
}
.left em {
  font-family: var(--serif);
  color: #8a3a1c;
  text-align: right;
  flex: 1;
  font-size: 0.875rem;
  line-height: 1.2;
}
.left span {
  flex: 0 0 38%;
}
.left button {
  border: 1px solid var(--oak-light);
  border-radius: 7px;
  padding: 1px 9px;
  cursor: pointer;
  background: #fff;
  color: var(--ink);
  min-height: 26px;
}
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
