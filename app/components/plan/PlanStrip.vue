<script setup lang="ts">
import { mdiPin } from '@mdi/js'
import Sortable from 'sortablejs'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { amountFor } from '#core/dosing/amount'
import { nameRegions } from '#core/face/regions'
import { checkPlan } from '#core/planning/checks/check'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'
import { describeSkin } from '#core/surface/words'

const props = defineProps<{
  steps: readonly PlanStep[]
  input: PlanInput
  chosen: string | null
  may: boolean
}>()
const emit = defineEmits<{ choose: [key: string]; edit: [edits: Edit[]] }>()
const check = computed(() => checkPlan(props.input, props.steps))
const list = ref<HTMLElement | null>(null)
const ROOM = 660
/** A line of its own for every step; closer together where a full hour has many. */
const row = computed(() =>
  Math.max(18, Math.min(22, Math.floor(ROOM / Math.max(1, props.steps.length)))),
)

/**
 * One-minute steps keep a readable line; what room is left goes to the long ones, minute by minute.
 */
const heights = computed(() => {
  const extra = props.steps.reduce((s, x) => s + Math.max(0, x.minutes - 1), 0)
  const per = Math.max(
    0,
    Math.min(12, (ROOM - props.steps.length * row.value) / Math.max(1, extra)),
  )
  return props.steps.map((s) => row.value + Math.max(0, s.minutes - 1) * per)
})
const tops = computed(() => {
  let y = 0
  return heights.value.map((h) => {
    const t = y
    y += h
    return t
  })
})
const total = computed(() => heights.value.reduce((a, h) => a + h, 0))
/** Where a minute of the clock lies on the bent scale. */
function yOf(minute: number): number {
  const times = check.value.trace.schedule.steps
  for (let i = 0; i < times.length; i++) {
    const t = times[i]
    if (!t || minute > t.end) continue
    return (
      (tops.value[i] ?? 0) +
      ((minute - t.start) / Math.max(0.5, t.end - t.start)) * (heights.value[i] ?? 0)
    )
  }
  return total.value
}
const SKIN: Record<string, string> = {
  madeUp: '#CDB9C4',
  soiled: '#DDD2C6',
  wet: '#BCD7DF',
  damp: '#CFE0E2',
  dry: '#F1E7DA',
  masked: '#D8CEBF',
  oiled: '#ECD9A6',
  layered: '#E4E8DA',
  sealed: '#E7DDC4',
  protected: '#EFE4B8',
}
const skin = computed(() => {
  const out: { top: number; height: number; text: string; id: string }[] = []
  check.value.trace.states.forEach((s, i) => {
    const d = describeSkin(s.after)
    const last = out[out.length - 1]
    if (last && last.text === d.text) last.height += heights.value[i] ?? 0
    else
      out.push({ top: tops.value[i] ?? 0, height: heights.value[i] ?? 0, text: d.text, id: d.id })
  })
  return out
})
const resting = computed(() =>
  check.value.trace.schedule.resting.map((r, i) => ({
    ...r,
    lane: check.value.trace.schedule.resting.slice(0, i).filter((o) => o.end > r.start).length,
    name: TECHNIQUES[r.technique].name.replace(/^Setting |( mask| peel)?( on)?$/g, ''),
    y: yOf(r.start),
    h: Math.max(46, yOf(r.end) - yOf(r.start)),
  })),
)
const findings = (key: string) => check.value.findings.filter((f) => f.key === key)
const detail = (s: PlanStep) => {
  const parts: string[] = []
  const item = props.input.shelf.find((x) => x.product.id === s.productId)
  if (s.regions.length > 0) parts.push(nameRegions(s.regions))
  if (item && s.regions.length > 0)
    parts.push(amountFor(item.product, s.regions, props.input.faceSize).words)
  if (s.passes) parts.push(`${s.passes} ${s.passes === 1 ? 'pass' : 'passes'}`)
  const t = TECHNIQUES[s.technique]
  if (t.setting && s.setting !== undefined)
    parts.push(
      t.setting.unit
        ? `${s.setting} ${t.setting.unit}`
        : `${t.setting.label.toLowerCase()} ${s.setting}`,
    )
  return parts.join(' · ')
}
const start = (i: number) => {
  const m = check.value.trace.schedule.steps[i]?.start ?? 0
  return Number.isInteger(m) ? String(m) : m.toFixed(1)
}

function moveBy(i: number, by: number) {
  const step = props.steps[i]
  const to = i + by
  if (!step || to < 0 || to >= props.steps.length) return
  emit('edit', [
    { do: 'move', key: step.key, before: props.steps[by > 0 ? to + 1 : to]?.key ?? null },
  ])
  void nextTick(() => (list.value?.children[to] as HTMLElement | undefined)?.focus())
}
function onKey(e: KeyboardEvent, i: number) {
  const step = props.steps[i]
  if (!step) return
  if (e.key === 'Enter' || e.key === ' ') {
    e.preventDefault()
    emit('choose', step.key)
  } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
    e.preventDefault()
    const by = e.key === 'ArrowDown' ? 1 : -1
    if (e.altKey && props.may) moveBy(i, by)
    else (list.value?.children[i + by] as HTMLElement | undefined)?.focus()
  } else if (!props.may) return
  else if (e.key === '+' || e.key === '-') {
    e.preventDefault()
    emit('edit', [
      {
        do: 'set',
        key: step.key,
        patch: { minutes: Math.max(0.5, step.minutes + (e.key === '+' ? 0.5 : -0.5)) },
      },
    ])
  } else if (e.key === 'Delete') {
    e.preventDefault()
    emit('edit', [{ do: 'remove', key: step.key }])
  }
}

let sortable: Sortable | undefined
watch(
  [list, () => props.may],
  () => {
    sortable?.destroy()
    sortable = undefined
    if (!list.value || !props.may) return
    sortable = Sortable.create(list.value, {
      animation: 120,
      delay: 120,
      delayOnTouchOnly: true,
      filter: 'button',
      preventOnFilter: false,
      onEnd: ({ item, from, oldIndex, newIndex }) => {
        if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
        // The list is drawn from the steps alone: put the element back and let the edit move it.
        from.insertBefore(
          item,
          from.children[oldIndex < newIndex ? oldIndex : oldIndex + 1] ?? null,
        )
        const step = props.steps[oldIndex]
        if (step)
          emit('edit', [
            {
              do: 'move',
              key: step.key,
              before: props.steps[newIndex > oldIndex ? newIndex + 1 : newIndex]?.key ?? null,
            },
          ])
      },
    })
  },
  { immediate: true, flush: 'post' },
)
onBeforeUnmount(() => sortable?.destroy())
</script>

<template>
  <div
    class="strip"
    :class="{ close: row < 21 }"
    :style="{ '--rests': `${Math.max(1, ...resting.map((r) => r.lane + 1)) * 80 + 4}px` }"
  >
    <div class="heads">
      <span />
      <h2>Skin</h2>
      <h2>
        Hands <span class="soft keys">Alt+↑↓ moves, + − minutes, Del takes out, Enter opens</span>
      </h2>
      <h2>Resting</h2>
    </div>
    <div class="cloth" :style="{ height: `${total}px` }">
      <div class="times figures" aria-hidden="true">
        <span v-for="(s, i) in steps" :key="s.key" :style="{ top: `${tops[i]}px` }">{{
          start(i)
        }}</span>
      </div>
      <div class="skin" aria-hidden="true">
        <div
          v-for="(s, i) in skin"
          :key="i"
          :style="{ top: `${s.top}px`, height: `${s.height}px`, background: SKIN[s.id] }"
        >
          {{ s.text }}
        </div>
      </div>
      <ol ref="list" class="hands" aria-label="Steps">
        <li
          v-for="(s, i) in steps"
          :key="s.key"
          tabindex="0"
          :style="{ height: `${heights[i]}px` }"
          :class="{
            tall: (heights[i] ?? 0) >= 46,
            chosen: s.key === chosen,
            stop: findings(s.key).some((f) => f.strength === 'stop'),
            adapt: findings(s.key).length,
          }"
          :aria-label="`${start(i)} min: ${TECHNIQUES[s.technique].name}, ${s.minutes} min. ${findings(s.key)[0]?.text ?? ''}`"
          :aria-current="s.key === chosen ? 'true' : undefined"
          @click="emit('choose', s.key)"
          @keydown.self="onKey($event, i)"
        >
          <span class="what"
            ><VIcon v-if="s.pinned" :icon="mdiPin" size="14" aria-label="pinned" /><b>{{
              TECHNIQUES[s.technique].name
            }}</b
            ><span class="figures min">{{ s.minutes }} min</span
            ><span class="soft det">{{ detail(s) }}</span></span
          >
          <span v-if="findings(s.key)[0]" class="find"
            ><span>{{ findings(s.key)[0]?.text }}</span
            ><button
              v-for="m in may ? findings(s.key)[0]?.mends.slice(0, 1) : []"
              :key="m.label"
              type="button"
              @click.stop="emit('edit', [...m.edits])"
            >
              {{ m.label }}
            </button></span
          >
          <em v-else class="why">{{ s.why[0]?.text }}</em>
        </li>
      </ol>
      <div class="rests">
        <div
          v-for="r in resting"
          :key="r.key"
          class="rest"
          :class="{ late: r.end - r.start > r.latest || r.end - r.start < r.earliest }"
          :style="{ top: `${r.y}px`, height: `${r.h}px`, left: `${r.lane * 76}px` }"
        >
          <b>{{ r.name }}</b><span class="figures">{{ r.end - r.start }} min</span
          ><span class="figures soft2">{{ r.earliest }}–{{ r.latest }}</span>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.heads,
.cloth {
  display: grid;
  grid-template-columns: 38px 96px minmax(0, 1fr) var(--rests);
  column-gap: 8px;
}
.heads {
  padding: 2px 0 4px;
  align-items: end;
}
.heads h2 {
  font-size: 1.05rem;
}
.keys {
  font-family: var(--sans);
  font-size: 0.75rem;
  font-weight: 450;
  margin-left: 10px;
  letter-spacing: 0;
}
.cloth {
  position: relative;
}
.times span {
  position: absolute;
  left: 0;
  width: 34px;
  text-align: right;
  font-size: 0.875rem;
  color: var(--ink-soft);
  padding-top: 2px;
}
.skin {
  position: relative;
}
.skin div {
  position: absolute;
  inset-inline: 0;
  padding: 2px 8px 0 12px;
  font-size: 0.8125rem;
  border-left: 5px solid rgb(74 54 38 / 25%);
  overflow: hidden;
  white-space: nowrap;
}
.hands {
  list-style: none;
  margin: 0;
  padding: 0;
}
.hands li {
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 1px 10px 0;
  overflow: hidden;
  cursor: pointer;
  font-size: 0.9375rem;
  line-height: 1.3;
}
.close .hands li {
  line-height: 1.13;
  padding-top: 0;
}
.close .times span,
.close .skin div {
  padding-top: 0;
  line-height: 1.2;
}
.hands li:first-child {
  border-top: 1px solid var(--line);
}
.hands li:focus-visible {
  outline-offset: -3px;
}
.chosen {
  box-shadow: inset 5px 0 0 var(--basin);
  background: #e6f0ed !important;
}
.stop {
  box-shadow: inset 5px 0 0 var(--berry);
  background: #f9e9ec !important;
}
.adapt:not(.stop) {
  box-shadow: inset 5px 0 0 var(--amber);
  background: #fbf2e0 !important;
}
.what {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
  flex: 1 1 0;
}
.hands .tall {
  flex-direction: column;
  gap: 0;
  justify-content: flex-start;
}
.hands .tall .what {
  flex: 0 0 auto;
}
.hands .tall .why {
  max-width: 100%;
  align-self: flex-start;
  text-align: left;
}
.hands .tall .find {
  max-width: 100%;
}
.min {
  color: var(--ink-soft);
  margin-left: 8px;
  font-size: 0.8125rem;
}
.det {
  margin-left: 10px;
  font-size: 0.8125rem;
}
.why {
  flex: 0 1 auto;
  max-width: 48%;
  text-align: right;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 0.875rem;
}
.find {
  color: var(--berry);
  font-weight: 600;
  font-size: 0.8125rem;
  display: flex;
  gap: 8px;
  align-items: flex-start;
  overflow: hidden;
  white-space: nowrap;
  flex: 0 1 auto;
  max-width: 62%;
}
.find span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.adapt:not(.stop) .find {
  color: var(--amber);
}
.find button {
  border: 1.5px solid currentColor;
  border-radius: 7px;
  padding: 0 8px;
  font-weight: 700;
  cursor: pointer;
  background: #fff;
  flex: none;
  min-height: 20px;
  color: inherit;
}
.rests {
  position: relative;
}
.rest {
  position: absolute;
  width: 72px;
  background: #a9c7c6;
  border-radius: 8px;
  padding: 3px 6px;
  font-size: 0.75rem;
  line-height: 1.15;
  display: flex;
  flex-direction: column;
  overflow: hidden;
  color: #17302f;
}
.rest b {
  display: block;
}
.rest b::first-letter {
  text-transform: uppercase;
}
.rest.late {
  background: #e6b3be;
}
.soft2 {
  color: #2e4a48;
}
@media (max-width: 900px) {
  .heads,
  .cloth {
    grid-template-columns: 32px 74px minmax(0, 1fr) 82px;
  }
  .why,
  .keys {
    display: none;
  }
  .rest {
    width: 76px;
    left: 0 !important;
  }
}
</style>
