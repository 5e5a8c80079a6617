<script setup lang="ts">
import { ZONES, ZONE_IDS, type ZoneId } from '#core/face/zones'
import type { Overrule, WholeReading } from '#core/skin/notes'
import { observe, OBSERVATIONS, type ObservationId } from '#core/skin/observations'
import { screenHere } from '#core/visit/planInput'
import { withSkin } from '#core/screening/skin'
import { deriveProfile } from '#core/skin/profile'
import {
  changedReadings,
  GRADES,
  GRADE_WORDS,
  MORE_READING_IDS,
  READING_IDS,
  READING_NAMES,
  type AnyReadingId,
  type Grade,
  type Readings,
} from '#core/skin/readings'
import { dayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'
import { gradeColour } from '~/composables/grades'

const visit = useVisit()
const b = computed(() => visit.bundle)
const zones = ref<Readings>({ ...visit.bundle?.readings.madeUp })
const whole = ref<WholeReading>({ ...visit.bundle?.whole })
const reading = ref<AnyReadingId>('oil')
const brush = ref<Grade>(2)
/** A word in the hand instead of a grade: the next zones tapped get it. */
const noticing = ref<ObservationId | null>(null)
const changed = ref(false)
const trouble = ref('')
const may = computed(() => b.value?.may.write === true && b.value.visit.status === 'booked')
const draft = useDraft({
  key: () => `read-${b.value?.visit.id ?? ''}`,
  value: () => ({ zones: zones.value, whole: whole.value }),
  restore: (d) => {
    zones.value = d.zones
    whole.value = d.whole
  },
  changed: () => {
    changed.value = true
  },
})
onMounted(draft.start)
watch(reading, () => {
  noticing.value = null
})
const PAINTED = ZONE_IDS.filter((z) => ZONES[z].regions.length > 0)
function paint(z: ZoneId, grade: Grade = brush.value) {
  if (may.value) setGrade(z, reading.value, grade)
}
function setGrade(z: ZoneId, r: AnyReadingId, grade: Grade | undefined) {
  zones.value = { ...zones.value, [z]: { ...zones.value[z], [r]: grade } }
}
function tap(z: ZoneId) {
  const word = noticing.value
  if (!word || !may.value) {
    paint(z)
    return
  }
  if (whole.value.observed?.some((o) => o.zone === z && o.id === word)) return
  zones.value = { ...zones.value, [z]: observe(zones.value[z], word) }
  whole.value = {
    ...whole.value,
    observed: [...(whole.value.observed ?? []), { zone: z, id: word }],
  }
}
function paintAll() {
  if (may.value)
    for (const z of PAINTED) if (zones.value[z]?.[reading.value] === undefined) paint(z)
}
function fromLast() {
  zones.value = { ...b.value?.previousReading?.zones, ...zones.value }
  whole.value = { ...carried(b.value?.previousReading?.whole), ...whole.value }
}
/** Scales stay from visit to visit; what was noticed or overruled belongs to its day. */
const carried = (w: WholeReading | undefined): WholeReading => ({
  ...(w?.burns ? { burns: w.burns } : {}),
  ...(w?.tans ? { tans: w.tans } : {}),
  ...(w?.photoageing ? { photoageing: w.photoageing } : {}),
})
const change = (patch: Partial<WholeReading>) => {
  whole.value = { ...whole.value, ...patch }
}
const fill = computed(() =>
  Object.fromEntries(
    ZONE_IDS.flatMap((z) => {
      const g = zones.value[z]?.[reading.value]
      return g === undefined ? [] : [[z, gradeColour(reading.value, g)]]
    }),
  ),
)
const marks = computed(() =>
  Object.fromEntries(
    ZONE_IDS.flatMap((z) => {
      const g = zones.value[z]?.[reading.value]
      return g === undefined ? [] : [[z, String(g)]]
    }),
  ),
)
const profile = computed(() =>
  deriveProfile(zones.value, b.value?.client.age ?? undefined, whole.value),
)
/** What the answers leave of the tolerance, with the skin as it is being read. */
const limitPercent = computed(() =>
  b.value
    ? withSkin(screenHere(b.value, b.value.answers), profile.value).limit.tolerancePercent
    : 100,
)
const changes = computed(() =>
  b.value?.previousReading ? changedReadings(b.value.previousReading.zones, zones.value) : [],
)
const sinceFirst = computed(() =>
  b.value?.baseline ? changedReadings(b.value.baseline.zones, zones.value) : [],
)
/** Zones that moved by each reading: the long view in a line. */
const longView = computed(() =>
  [...new Set(sinceFirst.value.map((c) => c.reading))].map((r) => {
    const own = sinceFirst.value.filter((c) => c.reading === r)
    const up = own.filter((c) => c.after > c.before).length
    return `${READING_NAMES[r].toLowerCase()} up in ${up}, down in ${own.length - up} zones`
  }),
)
const noticed = (z: ZoneId) =>
  (whole.value.observed ?? [])
    .filter((o) => o.zone === z)
    .map((o) => OBSERVATIONS.find((x) => x.id === o.id)?.words ?? '')
const words = (z: ZoneId) => {
  const g = zones.value[z]?.[reading.value]
  return [
    g === undefined
      ? `${READING_NAMES[reading.value]} not read`
      : `${READING_NAMES[reading.value]} ${g}, ${GRADE_WORDS[reading.value][g]}`,
    ...noticed(z),
  ].join(', ')
}
const unread = (r: AnyReadingId) => PAINTED.filter((z) => zones.value[z]?.[r] === undefined).length
function onKey(e: KeyboardEvent) {
  if (/^[0-4]$/.test(e.key) && !(e.target as Element).closest('input,textarea,select,[data-zone]'))
    brush.value = Number(e.key) as Grade
}
async function onward() {
  trouble.value = ''
  try {
    if (may.value && (changed.value || !b.value?.readings.madeUp)) {
      await visit.send('/readings', 'POST', {
        id: crypto.randomUUID(),
        phase: 'madeUp',
        zones: zones.value,
        whole: whole.value,
      })
      await draft.drop()
      changed.value = false
      await visit.reload()
    }
    await navigateTo(`/visits/${b.value?.visit.id ?? ''}/plan`)
  } catch (e) {
    trouble.value = sayProblem(e)
  }
}
</script>

<template>
  <div v-if="b" class="read" @keydown="onKey">
    <StopAction
      ><VBtn color="primary" @click="onward">{{
        may ? 'Keep the reading, plan' : 'See the plan'
      }}</VBtn></StopAction
    >
    <section class="tools stack">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <h2>What, then tap or sweep</h2>
      <div class="whats" role="radiogroup" aria-label="What to read">
        <label v-for="r in READING_IDS" :key="r" :class="{ on: reading === r }"
          ><input v-model="reading" type="radio" name="reading" :value="r" /><b>{{
            READING_NAMES[r]
          }}</b
          ><span class="soft small"
            >{{ unread(r) ? `${unread(r)} open` : 'all' }}<span class="sr"> zones</span></span
          ></label
        >
      </div>
      <div class="mores" role="radiogroup" aria-label="Where there is something to see">
        <label v-for="r in MORE_READING_IDS" :key="r" :class="{ on: reading === r }"
          ><input v-model="reading" type="radio" name="reading" :value="r" />{{
            READING_NAMES[r]
          }}</label
        >
      </div>
      <div class="grades" role="radiogroup" aria-label="Grade">
        <label
          v-for="g in GRADES"
          :key="g"
          :class="{ on: brush === g && !noticing }"
          :style="{ '--tone': gradeColour(reading, g) }"
          ><input
            v-model="brush"
            type="radio"
            name="grade"
            :value="g"
            @change="noticing = null"
          /><b class="figures">{{ g }}</b> {{ GRADE_WORDS[reading][g] }}</label
        >
      </div>
      <p v-if="reading === 'redness'" class="soft small">
        Clinician's erythema scale, Tan et al. 2014.
      </p>
      <VBtn variant="outlined" height="38" :disabled="!may" @click="paintAll"
        >Grade {{ brush }} on every open zone</VBtn
      >
      <VBtn v-if="b.previousReading && may" variant="outlined" height="38" @click="fromLast"
        >Start from last time</VBtn
      >
      <div class="notice" role="group" aria-label="Noticed: tap a word, then the zone">
        <span class="soft small">Noticed? Tap a word, then the zone.</span
        ><button
          v-for="o in OBSERVATIONS"
          :key="o.id"
          type="button"
          :class="{ on: noticing === o.id }"
          :aria-pressed="noticing === o.id"
          :disabled="!may"
          @click="noticing = noticing === o.id ? null : o.id"
        >
          {{ o.words }}
        </button>
      </div>
    </section>
    <section class="face">
      <FaceDrawing
        :fill="fill"
        :marks="marks"
        pick
        :label="`Face, ${READING_NAMES[reading]} by zone`"
        :words="words"
        @zone="tap"
        @sweep="tap"
        @grade="(z, g) => paint(z, g as Grade)"
      />
    </section>
    <section class="profile stack">
      <ProfilePanel
        :profile="profile"
        :whole="whole"
        :limit-percent="limitPercent"
        :disabled="!may"
        @overrule="(overruled: Overrule[]) => change({ overruled })"
      />
      <div class="panel">
        <h2>Against last time</h2>
        <p v-if="!b.previousReading" class="soft">First reading: this is the baseline.</p>
        <template v-else
          ><p class="soft">{{ dayWords(b.previousReading.at, b.practice.timeZone) }}</p>
          <ul v-if="changes.length" class="plainlist figures">
            <li v-for="c in changes.slice(0, 9)" :key="c.zone + c.reading">
              {{ ZONES[c.zone].name }}: {{ READING_NAMES[c.reading].toLowerCase() }}
              {{ c.before }} → {{ c.after }}
            </li>
            <li v-if="changes.length > 9">and {{ changes.length - 9 }} more</li>
          </ul>
          <p v-else-if="profile.confidence === 0">Nothing is read yet today.</p>
          <p v-else>No grade has changed.</p></template
        >
        <template v-if="b.baseline && profile.confidence > 0"
          ><p class="soft">
            Since the first reading, {{ dayWords(b.baseline.at, b.practice.timeZone) }}
          </p>
          <p class="figures">{{ longView.join(' · ') || 'No grade has changed.' }}</p></template
        >
      </div>
      <WholePanel :whole="whole" :zones="zones" :disabled="!may" @change="change" />
      <MeterPanel />
      <HalvesPanel moment="before" />
    </section>
    <ReadingList
      class="list"
      :zones="zones"
      :painted="PAINTED"
      :disabled="!may"
      @grade="setGrade"
    />
  </div>
</template>

<style scoped>
.read {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr) 340px;
  gap: 20px;
  padding: 4px 24px 20px;
}
.face {
  height: min(660px, calc(100dvh - 130px));
  position: sticky;
  top: 10px;
}
.list {
  grid-column: 1 / -1;
}
.small {
  font-size: 0.875rem;
}
.tools {
  gap: 8px;
}
.grades {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.whats {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 4px;
}
label {
  cursor: pointer;
}
input {
  position: absolute;
  opacity: 0;
}
.whats label,
.grades label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border: 1.5px solid var(--line);
  background: var(--paper);
  border-radius: 9px;
  padding: 4px 10px;
  min-height: 40px;
  gap: 6px;
}
.whats .on {
  border-color: var(--basin);
  background: var(--basin-pale);
}
.grades label {
  justify-content: flex-start;
  gap: 12px;
  border-left: 14px solid var(--tone);
}
.grades .on {
  border-color: var(--basin);
  border-left-color: var(--tone);
  font-weight: 700;
}
label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: 1px;
}
p {
  margin: 4px 0;
}
.mores,
.notice {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
}
.mores label,
.notice button {
  border: 1.5px solid var(--line);
  background: var(--paper);
  border-radius: 16px;
  padding: 4px 11px;
  min-height: 36px;
  display: inline-flex;
  align-items: center;
  color: var(--ink);
  cursor: pointer;
  font-size: 0.875rem;
}
.mores .on {
  border-color: var(--basin);
  background: var(--basin-pale);
  font-weight: 700;
}
.notice .on {
  background: var(--basin);
  border-color: var(--basin);
  color: var(--chalk);
}
.notice .small {
  flex: 1 1 100%;
}
@media (max-width: 1100px) {
  .whats {
    grid-template-columns: minmax(0, 1fr);
  }
  .read {
    grid-template-columns: 230px minmax(0, 1fr);
  }
  .profile {
    grid-column: 1 / -1;
  }
  .face {
    position: static;
  }
}
</style>
