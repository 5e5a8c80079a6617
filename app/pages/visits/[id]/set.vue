<script setup lang="ts">
import { MINUTE_MS, toMilliseconds } from '#core/units'
import { stopOf } from '#core/visit/stops'
import { preferenceNotes } from '#core/catalogue/consultation/preferences'
import { choresOf, readiness } from '#core/tray/ready'
import type { Product } from '#core/catalogue/products/products'
import { openedState } from '#core/hygiene/opened'
import { trayFor } from '#core/tray/tray'
import { clock, dayWords } from '~/composables/dates'
import { useLaid } from '~/composables/laid'
import { useOpened } from '~/composables/opened'
import { useOtherBottle } from '~/composables/otherBottle'
import { useTools } from '~/composables/tools'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** Ten minutes before the client: one screen in the order of doing, each thing ticked as it is done. */
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const zone = computed(() => bundle.value?.practice.timeZone ?? 'UTC')
const steps = computed(() =>
  bundle.value?.visit.status === 'booked'
    ? visit.draft
    : (bundle.value?.plans[bundle.value.plans.length - 1]?.steps ?? []),
)
const tray = computed(() => (visit.input ? trayFor(visit.input, steps.value) : null))
const { isLaid, lay, trouble: unkept } = useLaid()
const { tools, now, refresh } = await useTools()
/** What waits to be made clean before anything can be laid out. */
const unclean = computed(() =>
  (tools.value?.tools ?? []).filter(({ tool }) =>
    tray.value?.tools.some((own) => own.tool === tool && !own.clean),
  ),
)
async function cleaned() {
  await Promise.all([refresh(), visit.reload()])
}
/** A client who is late is laid out for from now. */
const base = computed(() => {
  const { startsAt = 0, status, at = 0 } = bundle.value?.visit ?? {}
  return status === 'booked' ? Math.max(startsAt, now.value) : at
})
const at = (minute: number) => {
  const moment = base.value + toMilliseconds(minute)
  return moment <= now.value + MINUTE_MS ? 'now' : clock(moment, zone.value)
}
const chores = computed(() => (tray.value ? choresOf(tray.value) : []))
const devices = computed(() =>
  chores.value
    .filter(({ what }) => what === 'switchOn')
    .map((chore, place) => {
      const device = tray.value?.devices[place]
      if (!device) return chore
      return {
        ...chore,
        beside: besideWords(at(device.neededMinute), device.cleaning),
        time: at(device.switchOnMinute),
      }
    }),
)
const besideWords = (at: string, cleaning?: string) =>
  `needed at ${at}${cleaning ? ` · after: ${cleaning}` : ''}`
const linen = computed(() => chores.value.filter(({ what }) => what === 'linen'))
const far = computed(() => tray.value && readiness(tray.value, isLaid))
/** Something is wrong with a bottle: another for the same step, or a new one that has come in. */
const { changing, mayChange, trouble: unchanged, instead } = useOtherBottle()
const receiving = ref<Product | null>(null)
async function received() {
  receiving.value = null
  await visit.reload()
}
const { opened, now: openNow, busy: ending, end } = useOpened()
/** Of this client's, what was kept for them; of the house's, what is nearly over or over. */
const openHere = computed(() =>
  (opened.value?.open ?? []).filter(({ client, until }) =>
    client ? client.id === bundle.value?.client.id : openedState(until, openNow.value) !== 'good',
  ),
)
const print = () => {
  window.print()
}
const trouble = ref('')
const busy = ref(false)
const notes = computed(() => preferenceNotes(bundle.value?.client.preferences ?? {}))
const blocks = computed(() => (bundle.value?.visit.status === 'booked' ? visit.open : []))
/** Said before it happens: a visit that is begun today is a visit of today. */
const otherDay = computed(() => {
  const own = bundle.value
  if (own?.visit.status !== 'booked') return ''
  const booked = dayWords(own.visit.startsAt, zone.value)
  return booked === dayWords(own.now, zone.value)
    ? ''
    : `Booked for ${booked}. Starting now moves it to today, and the plan is checked for today.`
})
async function begin() {
  busy.value = true
  trouble.value = ''
  try {
    await visit.send('/start', 'POST')
    await visit.reload()
    await navigateTo(`/visits/${bundle.value?.visit.id ?? ''}/treat`)
  } catch (error) {
    trouble.value = sayProblem(error)
    // It may have been moved to today: what is open is looked at for that day.
    await visit.reload().catch(() => {})
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="bundle && tray" class="set">
    <StopAction>
      <VBtn
        v-if="bundle.visit.status === 'booked'"
        color="primary"
        :loading="busy"
        :disabled="blocks.length > 0 || !bundle.may.write"
        @click="begin"
        >Start the treatment</VBtn
      >
      <VBtn
        v-else
        color="primary"
        :to="`/visits/${bundle.visit.id}/${stopOf(bundle.visit.status)}`"
        >{{ bundle.visit.status === 'treating' ? 'Back to the room' : 'To the record' }}</VBtn
      >
    </StopAction>
    <p v-if="otherDay" role="status" class="tag watch wide">{{ otherDay }}</p>
    <p v-if="trouble || unkept || unchanged" role="alert" class="tag stop wide">
      {{ trouble || unkept || unchanged }}
    </p>
    <ul v-if="blocks.length" class="plainlist wide" aria-label="Still open">
      <li v-for="hindrance in blocks" :key="hindrance.stop + hindrance.text" class="between block">
        <span class="tag stop">{{ hindrance.text }}</span><VBtn
          variant="outlined"
          :to="`/visits/${bundle.visit.id}/${hindrance.stop}`"
          >Go to {{ hindrance.stop }}</VBtn
        >
      </li>
    </ul>
    <div class="stack">
      <SetClocks :visit="bundle.visit" :now="now" :zone="zone" :far="far" />
      <section v-if="unclean.length" class="panel">
        <h2 class="turn">Clean first</h2>
        <ToolCleaning
          v-for="tool in unclean"
          :key="tool.tool"
          :tool="tool"
          :now="now"
          :zone="zone"
          @changed="cleaned"
        />
      </section>
      <section v-if="openHere.length" class="panel">
        <h2 class="turn">Use first, or throw out</h2>
        <OpenedList :things="openHere" :now="openNow" :zone="zone" :busy="ending" @end="end" />
      </section>
      <section class="panel">
        <h2 class="turn">Switch on</h2>
        <p v-if="!devices.length" class="soft">No device is needed.</p>
        <SetThings :chores="devices" :laid="isLaid" @lay="lay" />
      </section>
      <section class="panel">
        <h2 class="turn">Linen and tools</h2>
        <SetThings :chores="linen" :laid="isLaid" @lay="lay" />
      </section>
    </div>
    <div class="stack">
      <section class="panel">
        <div class="between">
          <h2 class="turn">On the tray, in this order</h2>
          <span class="row noprint">
            <p v-if="chores.length && !tray.missing.length" class="tag good">
              Everything is here and in date
            </p>
            <VProgressCircular v-if="changing" indeterminate size="20" aria-label="Planning anew" />
            <VBtn variant="text" @click="print">Print</VBtn>
          </span>
        </div>
        <ul v-if="tray.missing.length" class="plainlist stack" aria-label="Missing or not fit">
          <li v-for="missing in tray.missing" :key="missing" class="tag stop">{{ missing }}</li>
        </ul>
        <SetTrolley
          :products="tray.products"
          :mixes="tray.mixes"
          :at="at"
          :zone="zone"
          :laid="isLaid"
          :may="mayChange"
          @lay="lay"
          @instead="instead"
          @receive="receiving = $event"
        />
      </section>
      <SetMixes v-if="tray.mixes.length" :mixes="tray.mixes" :at="at" />
      <SetConfirms
        v-if="tray.confirms.length || notes.length"
        :confirms="tray.confirms"
        :notes="notes"
      />
    </div>
    <LazyReceiveDialog
      v-if="receiving"
      :product="receiving"
      @close="receiving = null"
      @saved="received"
    />
  </div>
</template>

<style scoped>
.set {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr);
  gap: 16px;
  padding: 8px 24px 30px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
/* The order of doing. */
.set {
  counter-reset: turn;
}
.turn::before {
  counter-increment: turn;
  content: counter(turn) '\00a0 ';
  color: var(--oak);
}
.block {
  margin: 4px 0;
  align-items: center;
}
@media print {
  .set {
    display: block;
    padding: 0;
  }
}
@media (max-width: 960px) {
  .set {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
