<script setup lang="ts">
import { preferenceNotes } from '#core/catalogue/consultation/preferences'
import { SKIP_REASONS, ROOM_NOTES } from '#core/catalogue/rules/stopRules'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { amountFor } from '#core/dosing/amount'
import { productTrouble } from '#core/planning/today/bottles'
import { allowance } from '#core/planning/today/allowed'
import { nameRegions, zonesOf } from '#core/face/regions'
import { ZONES, type ZoneId } from '#core/face/zones'
import { restingAt, runningMs } from '#core/treatment/clocks'
import { minutesAhead, minutesLeft, minutesShort } from '#core/treatment/pace'
import { clock, elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

definePageMeta({ layout: 'room' })
const visit = useVisit()
const room = useRoom()
const b = computed(() => visit.bundle)
const fromHead = ref(true)
const panel = ref<'none' | 'reaction' | 'skip' | 'swap' | 'fit' | 'reading' | 'notes'>('none')
const wake = ref<WakeLockSentinel | null>(null)
onMounted(async () => {
  await room.enter()
  window.addEventListener('keydown', onKey)
  try {
    wake.value = (await navigator.wakeLock?.request('screen')) ?? null
  } catch {
    /* the device decides */
  }
})
onBeforeUnmount(() => {
  room.leave()
  window.removeEventListener('keydown', onKey)
  void wake.value?.release()
})

const s = computed(() => room.state)
const step = computed(() => room.current)
const t = computed(() => (step.value ? TECHNIQUES[step.value.technique] : undefined))
const index = computed(() => room.steps.findIndex((x) => x.key === step.value?.key))
const plannedMs = computed(() => (step.value?.minutes ?? 0) * 60_000)
const ran = computed(() => (s.value ? runningMs(s.value, room.now) : 0))
const resting = computed(() =>
  (s.value?.resting ?? [])
    .filter((r) => r.endedAt === undefined)
    .map((r) => ({
      ...r,
      ...restingAt(r, room.now),
      name: TECHNIQUES[
        room.steps.find((x) => x.key === r.key)?.technique ?? 'hydratingMask'
      ].name.replace(/ on$/, ''),
    })),
)
const ahead = computed(() => (s.value ? minutesAhead(s.value, room.steps, room.now) : 0))
const left = computed(() =>
  s.value && b.value ? minutesLeft(s.value, b.value.visit, room.now) : 0,
)
/** What this client likes, at the step where it matters. */
const comfort = computed(() =>
  preferenceNotes(b.value?.client.preferences ?? {})
    .filter(
      (n) =>
        n.id === 'talk' ||
        (n.id === 'pressure' && t.value?.stage === 'massage') ||
        (n.id === 'lying' && t.value?.stage === 'settle'),
    )
    .map((n) => n.text)
    .join(' '),
)
const short = computed(() =>
  s.value && b.value ? minutesShort(s.value, room.steps, b.value.visit, room.now) : 0,
)
const fitTo = ref(30)
const passesLimit = computed(() => t.value?.passes?.limit ?? 0)
const passes = computed(() => (step.value ? (s.value?.passes[step.value.key] ?? {}) : {}))
const fill = computed(() => {
  const f: Partial<Record<ZoneId, string>> = {}
  for (const r of resting.value)
    for (const x of r.regions) for (const z of zonesOf(x)) f[z] = '#4E7F86'
  for (const r of step.value?.regions ?? [])
    for (const z of zonesOf(r))
      f[z] = (s.value?.endedZones[step.value?.key ?? ''] ?? []).includes(r) ? '#7A3A2A' : '#8A7550'
  return f
})
const marks = computed(() => {
  const m: Partial<Record<ZoneId, string>> = {}
  if (passesLimit.value)
    for (const r of step.value?.regions ?? []) {
      const z = zonesOf(r)[0]
      if (z) m[z] = `${passes.value[r] ?? 0}/${step.value?.passes ?? 1}`
    }
  return m
})
const warn = ref('')
function tapZone(z: ZoneId) {
  const r = ZONES[z].regions[0]
  if (!step.value || !r || !passesLimit.value || !step.value.regions.includes(r)) return
  if ((passes.value[r] ?? 0) >= Math.min(step.value.passes ?? 1, passesLimit.value)) {
    warn.value =
      (passes.value[r] ?? 0) >= passesLimit.value
        ? 'Never a third pass here.'
        : `${step.value.passes ?? 1} planned here: enough.`
    return
  }
  warn.value = ''
  void room.tap({ kind: 'passDone', key: step.value.key, region: r })
}
async function done() {
  warn.value = ''
  if (!step.value) return
  if (
    step.value.technique === 'secondReading' &&
    panel.value !== 'reading' &&
    !s.value?.readings &&
    !s.value?.stopped
  ) {
    panel.value = 'reading'
    return
  }
  const last = index.value === room.steps.length - 1
  await room.tap({ kind: 'stepDone', key: step.value.key, cue: true })
  panel.value = 'none'
  if (last) await finish()
}
async function finish() {
  await room.tap({ kind: 'finished' })
  await room.flush()
}
const hold = () =>
  room.tap(s.value?.heldSince === undefined ? { kind: 'held' } : { kind: 'resumed' })
const skip = (reason: string) => {
  if (step.value) void room.tap({ kind: 'stepSkipped', key: step.value.key, reason })
  panel.value = 'none'
}
/**
 * What else may stand in: of the same kind, in date, and nothing in it that this client must not
 * have.
 */
const others = computed(() =>
  (b.value?.shelf ?? []).filter(
    (x) =>
      x.product.kind === t.value?.product &&
      x.product.id !==
        (step.value && (s.value?.products[step.value.key]?.productId ?? step.value.productId)) &&
      room.input &&
      productTrouble(x.product, x.lots, room.input).length === 0,
  ),
)
const swap = (productId: string) => {
  if (step.value)
    void room.tap({ kind: 'productSwapped', key: step.value.key, productId, reason: 'ran out' })
  panel.value = 'none'
}
const note = (text: string) => {
  void room.tap({ kind: 'note', text })
  panel.value = 'none'
}
const product = computed(() => {
  const id = (step.value && s.value?.products[step.value.key]?.productId) ?? step.value?.productId
  const item = b.value?.shelf.find((x) => x.product.id === id)
  return item && step.value && room.input
    ? `${item.product.name}, ${amountFor(item.product, step.value.regions, room.input.faceSize).words}`
    : ''
})
const setting = computed(() =>
  step.value && t.value?.setting
    ? {
        ...t.value.setting,
        ...(room.input ? allowance(step.value.technique, room.input).setting : {}),
        value: s.value?.settings[step.value.key] ?? step.value.setting ?? t.value.setting.start,
      }
    : null,
)
function dial(by: number) {
  const d = setting.value
  if (!d || !step.value) return
  const to = Math.min(d.most, Math.max(d.least, d.value + by * d.step))
  void room.tap({ kind: 'settingChanged', key: step.value.key, setting: to })
}
const open = (p: typeof panel.value) => {
  if (p === 'fit') fitTo.value = left.value
  panel.value = panel.value === p ? 'none' : p
}
const KEYS: Record<string, () => unknown> = {
  ' ': done,
  h: hold,
  r: () => open('reaction'),
  s: () => open('skip'),
  w: () => open('swap'),
  f: () => open('fit'),
  n: () => open('notes'),
  t: () => {
    fromHead.value = !fromHead.value
  },
}
function onKey(e: KeyboardEvent) {
  if (e.key === 'Escape') {
    panel.value = 'none'
    room.offer = null
    return
  }
  if (
    (e.target as Element).closest('input,textarea,select,[data-zone]') ||
    e.ctrlKey ||
    e.metaKey ||
    e.altKey
  )
    return
  if (e.key === ' ' && (e.target as Element).closest('button')) return
  const run = KEYS[e.key.toLowerCase()]
  if (!run || (s.value?.stopped && panel.value === 'none' && e.key !== ' ' && !calm.value)) return
  e.preventDefault()
  void run()
}
const calm = computed(() => s.value?.replans.some((r) => r.reason === 'after a stop') === true)
const stopping = computed(() => s.value?.stopped !== undefined && !calm.value)
const finished = computed(() => s.value?.finishedAt !== undefined)
const due = computed(() => resting.value.some((r) => r.word === 'due' || r.word === 'late'))
const WORD = {
  working: 'working',
  mayComeOff: 'may come off',
  due: 'off now',
  late: 'late: off now',
} as const

function planWhatIsLeft() {
  void room.replan('fit to the minutes left', fitTo.value)
  panel.value = 'none'
}
</script>

<template>
  <div v-if="b && s" class="treat" :class="{ pulse: due }">
    <template v-if="b.visit.status === 'booked'"
      ><div class="middle">
        <h1>Not begun</h1>
        <p>Lay out the tray first, then start the treatment.</p>
        <NuxtLink class="key go" :to="`/visits/${b.visit.id}/set`">To the tray</NuxtLink>
      </div></template
    >
    <template v-else-if="finished || !step"
      ><div class="middle">
        <h1>{{ finished ? 'Finished' : 'All steps are done' }}</h1>
        <p class="dim">
          {{
            room.line === 'sent'
              ? 'Every tap has reached the house.'
              : 'Some taps are still on this device; they are being sent.'
          }}
        </p>
        <NuxtLink v-if="finished" class="key go" :to="`/visits/${b.visit.id}/close`"
          >Write it up</NuxtLink
        ><button v-else class="key go" type="button" @click="finish">Finish the treatment</button>
      </div></template
    >
    <StopPath v-else-if="stopping" />
    <template v-else>
      <div class="now">
        <p class="dim">
          step {{ index + 1 }} of {{ room.steps.length }} · {{ b.client.name.split(' ')[0] }} ·
          <NuxtLink :to="`/visits/${b.visit.id}/plan`" class="quiet">plan</NuxtLink>
        </p>
        <h1>{{ t?.name }}</h1>
        <p class="hand">{{ t?.hand }}</p>
        <p class="dim">
          {{ nameRegions(step.regions) }}<template v-if="product"> · {{ product }}</template>
        </p>
        <div class="time">
          <span class="clock serif figures" :class="{ over: ran > plannedMs }" role="timer">{{
            elapsed(ran)
          }}</span><span class="dim of serif"
            >of {{ step.minutes }} min{{ s.heldSince !== undefined ? ', held' : '' }}</span
          >
        </div>
        <p v-if="setting" class="row dial">
          <span
            >{{ setting.label }} <b class="figures">{{ setting.value }} {{ setting.unit }}</b></span
          ><button
            type="button"
            class="key small"
            :aria-label="`${setting.label} down`"
            @click="dial(-1)"
          >
            −</button
          ><button
            type="button"
            class="key small"
            :aria-label="`${setting.label} up`"
            @click="dial(1)"
          >
            +
          </button>
        </p>
        <p class="cue">Done when: {{ t?.cue }}</p>
        <p v-if="comfort" class="dim">{{ comfort }}</p>
        <p v-if="t?.say" class="say">Say: “{{ t.say }}”</p>
        <p v-if="warn || room.trouble" role="alert" class="warn">{{ warn || room.trouble }}</p>
        <div class="then">
          <p class="dim">
            Then
            <b>{{
              room.next ? TECHNIQUES[room.next.technique].name.toLowerCase() : 'finished'
            }}</b><template v-if="room.next"> · {{ room.next.minutes }} min</template>
          </p>
          <p class="dim">
            Running
            <b>{{
              ahead === 0 ? 'on time' : ahead > 0 ? `${ahead} min ahead` : `${-ahead} min behind`
            }}</b>
          </p>
          <p v-if="short > 0" class="short" role="status">
            <b>{{ short }} min more planned than left</b>
            <button type="button" class="key small fit" @click="open('fit')">
              Fit to the {{ left }} min left
            </button>
          </p>
        </div>
        <div class="row chips">
          <button class="key" type="button" @click="open('skip')">Skip <kbd>S</kbd></button
          ><button v-if="others.length" class="key" type="button" @click="open('swap')">
            Swap product <kbd>W</kbd></button
          ><button class="key" type="button" @click="open('fit')">
            Fit to the time <kbd>F</kbd></button
          ><button class="key" type="button" @click="open('notes')">Note <kbd>N</kbd></button>
        </div>
      </div>
      <div class="rests" aria-label="Resting">
        <div v-for="r in resting" :key="r.key" class="vessel" :class="r.word">
          <svg viewBox="0 0 84 300" aria-hidden="true">
            <clipPath :id="`v-${r.key}`">
              <path d="M2 2h80v256c0 22-18 40-40 40S2 280 2 258z" />
            </clipPath>
            <g :clip-path="`url(#v-${r.key})`">
              <rect width="84" height="300" fill="#1C1610" />
              <rect
                width="84"
                height="300"
                fill="#3B7A7C"
                :y="Math.min(296, (r.ms / 60000 / r.latest) * 298)"
              />
            </g>
            <path
              d="M2 2v256c0 22 18 40 40 40s40-18 40-40V2"
              fill="none"
              stroke="#8A7355"
              stroke-width="2"
            />
            <path
              d="M2 0h80"
              :transform="`translate(0 ${(r.earliest / r.latest) * 298})`"
              stroke="#F0C274"
              stroke-width="3"
              stroke-dasharray="7 5"
            />
          </svg>
          <b>{{ r.name }}</b><span class="dim">{{ nameRegions(r.regions) }}</span
          ><span class="vclock serif figures">{{ elapsed(r.ms) }}</span
          ><span class="dim figures">from {{ r.earliest }}, off by {{ r.latest }}</span
          ><span class="word">{{ WORD[r.word] }}</span>
        </div>
        <p v-if="!resting.length" class="dim none">Nothing is resting.</p>
        <p class="foot dim">
          <b class="figures">{{ clock(room.now, b.practice.timeZone) }}</b> ·
          {{
            room.line === 'sent'
              ? 'saved, all taps sent'
              : room.line === 'sending'
                ? 'sending'
                : `${room.unsent.length} ${room.unsent.length === 1 ? 'tap' : 'taps'} kept here, sent when the house answers`
          }}
        </p>
      </div>
      <div class="head">
        <div class="facebox">
          <FaceDrawing
            :fill="fill"
            :marks="marks"
            :from-head="fromHead"
            dark
            :pick="passesLimit > 0"
            :label="
              passesLimit
                ? 'Tap a zone when its pass is done'
                : `Zones: ${nameRegions(step.regions)}`
            "
            @zone="tapZone"
          />
        </div>
        <button type="button" class="quiet" @click="fromHead = !fromHead">
          {{ fromHead ? 'seen from the head' : 'seen from the front' }} · turn <kbd>T</kbd>
        </button>
        <p v-if="passesLimit" class="dim">
          Tap each zone when its pass is done. Limit {{ passesLimit }}.
        </p>
      </div>
      <div class="bar">
        <button type="button" class="hold" @click="hold">
          {{ s.heldSince === undefined ? 'Hold' : 'Go on' }}<kbd>H</kbd></button
        ><button type="button" class="react" @click="open('reaction')">Reaction<kbd>R</kbd></button
        ><button type="button" class="done" @click="done">
          {{
            step.technique === 'secondReading' && !s.readings
              ? 'Read the bare skin'
              : index === room.steps.length - 1
                ? 'Done, finish'
                : 'Done, next step'
          }}<kbd>Space</kbd>
        </button>
      </div>
      <ReactionPanel
        v-if="panel === 'reaction'"
        :step-key="step.key"
        :from-head="fromHead"
        @close="panel = 'none'"
      />
      <BareReading
        v-if="panel === 'reading'"
        :from-head="fromHead"
        @close="panel = 'none'"
        @done="done"
      />
      <div
        v-if="panel === 'skip' || panel === 'swap' || panel === 'fit' || panel === 'notes'"
        class="sheet"
        role="dialog"
        :aria-label="panel"
      >
        <template v-if="panel === 'skip'"
          ><h2>Skip {{ t?.name.toLowerCase() }}, because</h2>
          <div class="row">
            <button v-for="r in SKIP_REASONS" :key="r" type="button" class="key" @click="skip(r)">
              {{ r }}
            </button>
          </div></template
        >
        <template v-else-if="panel === 'swap'"
          ><h2>Use instead</h2>
          <div class="row">
            <button
              v-for="o in others"
              :key="o.product.id"
              type="button"
              class="key"
              @click="swap(o.product.id)"
            >
              {{ o.product.name }}
            </button>
          </div></template
        >
        <template v-else-if="panel === 'notes'"
          ><h2>Note</h2>
          <div class="row">
            <button v-for="n in ROOM_NOTES" :key="n" type="button" class="key" @click="note(n)">
              {{ n }}
            </button>
          </div></template
        >
        <template v-else
          ><h2>Fit to the {{ fitTo }} minutes left</h2>
          <div class="row">
            <button
              type="button"
              class="key small"
              aria-label="Less"
              @click="fitTo = Math.max(1, fitTo - 1)"
            >
              −</button
            ><b class="serif figures num">{{ fitTo }}</b
            ><button type="button" class="key small" aria-label="More" @click="fitTo++">+</button
            ><button type="button" class="key go" @click="planWhatIsLeft">Plan what is left</button>
          </div></template
        >
        <button type="button" class="quiet" @click="panel = 'none'">Close (Esc)</button>
      </div>
      <div v-if="room.offer || room.thinking" class="sheet" role="dialog" aria-label="New plan">
        <h2 v-if="room.thinking">Planning what is left…</h2>
        <template v-else-if="room.offer"
          ><h2>
            {{
              room.offer.changes.length === 0
                ? 'Nothing needs to change'
                : `${room.offer.changes.length} ${room.offer.changes.length === 1 ? 'step changes' : 'steps change'}`
            }}
          </h2>
          <ul class="plainlist changes">
            <li v-for="c in room.offer.changes.slice(0, 8)" :key="c.key + c.change">
              <b>{{ TECHNIQUES[c.technique].name }}</b>
              {{ c.change === 'changed' ? c.text : `${c.change}, ${c.text}` }}
            </li>
          </ul>
          <div class="row">
            <button
              v-if="room.offer.changes.length"
              type="button"
              class="key go"
              @click="room.take()"
            >
              Take the new plan</button
            ><button type="button" class="key" @click="room.offer = null">
              {{ room.offer.changes.length ? 'Keep the old one' : 'Go on' }}
            </button>
          </div></template
        >
      </div>
    </template>
  </div>
</template>

<style scoped>
.treat {
  min-height: 100dvh;
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 3fr) minmax(0, 2.6fr);
  grid-template-rows: 1fr 118px;
  color: #f8ebd6;
  gap: 0 26px;
}
.pulse {
  animation: edge 1.6s ease-in-out infinite;
}
@keyframes edge {
  0%,
  100% {
    box-shadow: inset 0 0 0 0 #f0c274;
  }
  50% {
    box-shadow: inset 0 0 0 6px #f0c274;
  }
}
.dim {
  color: #c3ac8b;
}
.dim b {
  color: #f8ebd6;
}
.now {
  padding: 26px 0 10px 38px;
  display: flex;
  flex-direction: column;
  gap: 7px;
  font-size: 1.125rem;
  min-width: 0;
}
p {
  margin: 0;
}
h1 {
  font-size: clamp(2.2rem, 4.6vw, 3.7rem);
  margin: 0;
  font-weight: 560;
}
.hand {
  font-size: 1.3rem;
  color: #ead6b6;
}
.time {
  display: flex;
  align-items: baseline;
  gap: 18px;
}
.clock {
  font-size: clamp(4rem, 8vw, 6.4rem);
  line-height: 1.05;
  font-weight: 500;
}
.clock.over {
  color: #f0c274;
}
.of {
  font-size: 1.9rem;
}
.cue {
  color: #a9c78f;
}
.say {
  color: #f0c274;
  font-style: italic;
}
.warn {
  color: #2a0e0a;
  background: #f3a38e;
  border-radius: 8px;
  padding: 8px 12px;
  font-weight: 650;
}
.then {
  border-top: 1px solid #4a3d2f;
  padding-top: 8px;
  margin-top: auto;
  display: flex;
  gap: 6px 30px;
  flex-wrap: wrap;
}
.chips {
  gap: 10px;
}
.key {
  min-height: 64px;
  padding: 0 20px;
  border: 1.5px solid #6e5b43;
  border-radius: 32px;
  background: #1e1813;
  color: #f8ebd6;
  font: inherit;
  cursor: pointer;
  display: inline-flex;
  align-items: center;
  gap: 10px;
  text-decoration: none;
  font-size: 1.0625rem;
}
.key.small {
  width: 64px;
  justify-content: center;
  font-size: 1.6rem;
  padding: 0;
}
.key.go {
  background: #1f5c58;
  border-color: #3b8a85;
  font-weight: 650;
}
kbd {
  font-family: inherit;
  font-size: 0.875rem;
  color: #d9c3a0;
}
.rests {
  padding-top: 30px;
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-content: flex-start;
  position: relative;
  padding-bottom: 44px;
}
.vessel {
  width: 118px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  line-height: 1.25;
}
.vessel svg {
  width: 84px;
  height: 260px;
}
.vclock {
  font-size: 1.6rem;
}
.vessel .word {
  color: #a9c78f;
  font-weight: 650;
}
.vessel.mayComeOff .word {
  color: #f0c274;
}
.vessel.due .word,
.vessel.late .word {
  color: #2a0e0a;
  background: #f3a38e;
  border-radius: 6px;
  padding: 2px 8px;
}
.short {
  color: #f0c274;
}
.key.small.fit {
  width: auto;
  padding: 0 16px;
  font-size: 1.0625rem;
  white-space: nowrap;
}
.foot {
  position: absolute;
  bottom: 12px;
  left: 0;
}
@media (max-width: 1000px) {
  .foot {
    left: 38px;
  }
}
.none {
  padding-top: 6px;
}
.head {
  padding: 26px 20px 0 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 8px;
  text-align: center;
}
.facebox {
  height: min(480px, 58vh);
  width: 100%;
}
.quiet {
  background: none;
  border: 0;
  color: #d9c3a0;
  cursor: pointer;
  text-decoration: underline;
  font: inherit;
  min-height: 44px;
}
.bar {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 230px 290px 1fr;
  gap: 2px;
}
.bar button {
  border: 0;
  font: inherit;
  font-size: 1.6rem;
  font-weight: 560;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 4px;
  color: #f8ebd6;
}
.hold {
  background: #241c15;
}
.react {
  background: #3a1d19;
  color: #f9c9ba !important;
}
.done {
  background: #1f5c58;
  color: #fff !important;
}
.bar kbd {
  color: inherit;
  opacity: 0.9;
}
.sheet {
  position: fixed;
  inset: auto 0 0 0;
  background: #241c15;
  border-top: 2px solid #6e5b43;
  padding: 24px 38px;
  z-index: 20;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.sheet h2 {
  font-size: 1.7rem;
  margin: 0;
}
.num {
  font-size: 2.4rem;
  min-width: 80px;
  text-align: center;
}
.changes li {
  padding: 3px 0;
  font-size: 1.1rem;
}
.middle {
  grid-column: 1 / -1;
  grid-row: 1 / -1;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 18px;
}
@media (max-width: 1000px) {
  .treat {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto 1fr 118px;
  }
  .now {
    grid-column: 1 / -1;
    padding-right: 24px;
  }
  .rests {
    padding-left: 38px;
  }
  .bar {
    grid-template-columns: 1fr 1fr 2fr;
  }
}
</style>
