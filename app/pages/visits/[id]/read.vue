<script setup lang="ts">
import { REGION_NAMES, zonesOf } from '#core/face/regions'
import { REGION_IDS, ZONES, ZONE_IDS, type ZoneId } from '#core/face/zones'
import { deriveProfile } from '#core/skin/profile'
import { changedReadings, GRADES, GRADE_WORDS, READING_IDS, READING_NAMES, type Grade, type ReadingId, type Readings } from '#core/skin/readings'
import { dayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'
import { gradeColour } from '~/composables/grades'

const visit = useVisit()
const b = computed(() => visit.bundle)
const zones = ref<Readings>({ ...visit.bundle?.readings.madeUp })
const reading = ref<ReadingId>('oil')
const brush = ref<Grade>(2)
const changed = ref(false)
const trouble = ref('')
const may = computed(() => b.value?.may.write === true && b.value.visit.status === 'booked')
const draft = useDraft({ key: () => `read-${b.value?.visit.id ?? ''}`, value: () => zones.value, restore: (d) => { zones.value = d }, changed: () => { changed.value = true } })
onMounted(draft.start)
const PAINTED = ZONE_IDS.filter((z) => ZONES[z].regions.length > 0)
function paint(z: ZoneId, grade: Grade = brush.value) { if (may.value) zones.value = { ...zones.value, [z]: { ...zones.value[z], [reading.value]: grade } } }
function paintAll() { if (may.value) for (const z of PAINTED) if (zones.value[z]?.[reading.value] === undefined) paint(z) }
function fromLast() { zones.value = { ...b.value?.previousReading?.zones, ...zones.value } }
const fill = computed(() => Object.fromEntries(ZONE_IDS.flatMap((z) => { const g = zones.value[z]?.[reading.value]; return g === undefined ? [] : [[z, gradeColour(reading.value, g)]] })))
const marks = computed(() => Object.fromEntries(ZONE_IDS.flatMap((z) => { const g = zones.value[z]?.[reading.value]; return g === undefined ? [] : [[z, String(g)]] })))
const profile = computed(() => deriveProfile(zones.value, b.value?.client.age ?? undefined))
const changes = computed(() => (b.value?.previousReading ? changedReadings(b.value.previousReading.zones, zones.value) : []))
const words = (z: ZoneId) => { const g = zones.value[z]?.[reading.value]; return g === undefined ? `${READING_NAMES[reading.value]} not read` : `${READING_NAMES[reading.value]} ${g}, ${GRADE_WORDS[reading.value][g]}` }
const unread = (r: ReadingId) => PAINTED.filter((z) => zones.value[z]?.[r] === undefined).length
function onKey(e: KeyboardEvent) { if (/^[0-4]$/.test(e.key) && !(e.target as Element).closest('input,textarea,[data-zone]')) brush.value = Number(e.key) as Grade }
async function onward() {
  trouble.value = ''
  try {
    if (may.value && (changed.value || !b.value?.readings.madeUp)) { await visit.send('/readings', 'POST', { id: crypto.randomUUID(), phase: 'madeUp', zones: zones.value }); await draft.drop(); changed.value = false; await visit.reload() }
    await navigateTo(`/visits/${b.value?.visit.id ?? ''}/plan`)
  } catch (e) { trouble.value = sayProblem(e) }
}
</script>

<template>
  <div v-if="b" class="read" @keydown="onKey">
    <StopAction><VBtn color="primary" @click="onward">{{ may ? 'Keep the reading, plan' : 'See the plan' }}</VBtn></StopAction>
    <section class="tools stack">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <h2>Choose what, then tap or sweep</h2>
      <div class="whats" role="radiogroup" aria-label="What to read"><label v-for="r in READING_IDS" :key="r" :class="{ on: reading === r }"><input v-model="reading" type="radio" name="reading" :value="r"><b>{{ READING_NAMES[r] }}</b><span class="soft">{{ unread(r) ? `${unread(r)} zones open` : 'all zones' }}</span></label></div>
      <div class="grades" role="radiogroup" aria-label="Grade"><label v-for="g in GRADES" :key="g" :class="{ on: brush === g }" :style="{ '--tone': gradeColour(reading, g) }"><input v-model="brush" type="radio" name="grade" :value="g"><b class="figures">{{ g }}</b> {{ GRADE_WORDS[reading][g] }}</label></div>
      <VBtn variant="outlined" :disabled="!may" @click="paintAll">Grade {{ brush }} on every open zone</VBtn>
      <VBtn v-if="b.previousReading && may" variant="outlined" @click="fromLast">Start from last time</VBtn>
      <p class="soft small">Keys 0–4 set the grade; on a zone they paint it. Read made-up now and bare again after the surface cleanse.</p>
    </section>
    <section class="face"><FaceDrawing :fill="fill" :marks="marks" pick :label="`Face, ${READING_NAMES[reading]} by zone`" :words="words" @zone="paint" @sweep="paint" @grade="(z, g) => paint(z, g as Grade)" /></section>
    <section class="profile stack">
      <div class="panel" aria-live="polite"><h2>Today's skin</h2>
        <ul class="plainlist"><li v-for="l in profile.lines" :key="l.id"><details><summary><b>{{ l.title }}</b></summary><p class="soft">{{ l.evidence.map((e) => `${REGION_NAMES[e.region]}: ${e.text}`).join(' · ') || 'read forehead, nose, chin and cheeks' }}</p></details></li></ul>
        <p v-if="profile.confidence < 1" class="tag watch">{{ Math.round(profile.confidence * 100) }} % read: open zones are planned as sensitive</p><p v-else class="tag good">every zone read</p>
      </div>
      <div class="panel"><h2>Against last time</h2>
        <p v-if="!b.previousReading" class="soft">First reading: this is the baseline.</p>
        <template v-else><p class="soft">{{ dayWords(b.previousReading.at, b.practice.timeZone) }}</p><ul v-if="changes.length" class="plainlist figures"><li v-for="c in changes.slice(0, 9)" :key="c.zone + c.reading">{{ ZONES[c.zone].name }}: {{ READING_NAMES[c.reading].toLowerCase() }} {{ c.before }} → {{ c.after }}</li><li v-if="changes.length > 9">and {{ changes.length - 9 }} more</li></ul><p v-else-if="profile.confidence === 0">Nothing is read yet today.</p><p v-else>No grade has changed.</p></template>
      </div>
      <MeterPanel />
      <details class="panel"><summary><b>By list</b></summary><table class="plain list"><thead><tr><th>Region</th><th v-for="r in READING_IDS" :key="r">{{ READING_NAMES[r].slice(0, 5) }}</th></tr></thead><tbody><tr v-for="region in REGION_IDS" :key="region"><td>{{ REGION_NAMES[region] }}</td><td v-for="r in READING_IDS" :key="r" class="figures">{{ [...new Set(zonesOf(region).map((z) => zones[z]?.[r] ?? '–'))].join('/') }}</td></tr></tbody></table></details>
    </section>
  </div>
</template>

<style scoped>
.read { display: grid; grid-template-columns: 270px minmax(0, 1fr) 340px; gap: 20px; padding: 4px 24px 20px; }
.face { height: min(660px, calc(100dvh - 130px)); position: sticky; top: 10px; } .small { font-size: 0.875rem; }
.whats, .grades { display: flex; flex-direction: column; gap: 5px; } label { cursor: pointer; } input { position: absolute; opacity: 0; }
.whats label, .grades label { display: flex; justify-content: space-between; align-items: center; border: 1.5px solid var(--line); background: var(--paper); border-radius: 9px; padding: 7px 12px; min-height: 42px; } .whats .on { border-color: var(--basin); background: var(--basin-pale); }
.grades label { justify-content: flex-start; gap: 12px; border-left: 14px solid var(--tone); } .grades .on { border-color: var(--basin); border-left-color: var(--tone); font-weight: 700; } label:focus-within { outline: 3px solid #236A8A; outline-offset: 1px; }
summary { cursor: pointer; padding: 3px 0; } .list { font-size: 0.875rem; } p { margin: 4px 0; }
@media (max-width: 1100px) { .read { grid-template-columns: 230px minmax(0, 1fr); } .profile { grid-column: 1 / -1; } .face { position: static; } }
</style>
