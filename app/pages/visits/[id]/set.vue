<script setup lang="ts">
import { toMilliseconds } from '#core/units'
import { stopOf } from '#core/visit/stops'
import { describeMeasures, gramsWords, roundingWords } from '#core/dosing/amount'
import { preferenceNotes } from '#core/catalogue/consultation/preferences'
import { trayFor } from '#core/tray/tray'
import { clock, dayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const bundle = computed(() => visit.bundle)
const steps = computed(() =>
  bundle.value?.visit.status === 'booked'
    ? visit.draft
    : (bundle.value?.plans[bundle.value.plans.length - 1]?.steps ?? []),
)
const tray = computed(() => (visit.input ? trayFor(visit.input, steps.value) : null))
const at = (minute: number) =>
  clock(
    (bundle.value?.visit.startsAt ?? 0) + toMilliseconds(minute),
    bundle.value?.practice.timeZone ?? 'UTC',
  )
const laid = ref<Record<string, boolean>>({})
const trouble = ref('')
const busy = ref(false)
const notes = computed(() => preferenceNotes(bundle.value?.client.preferences ?? {}))
const blocks = computed(() => (bundle.value?.visit.status === 'booked' ? visit.open : []))
/** Said before it happens: a visit that is begun today is a visit of today. */
const otherDay = computed(() => {
  const own = bundle.value
  if (own?.visit.status !== 'booked') return ''
  const zone = own.practice.timeZone
  const booked = dayWords(own.visit.startsAt, zone)
  return booked === dayWords(own.now, zone)
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
    <p v-if="trouble" role="alert" class="tag stop wide">{{ trouble }}</p>
    <ul v-if="blocks.length" class="plainlist wide" aria-label="Still open">
      <li v-for="hindrance in blocks" :key="hindrance.stop + hindrance.text" class="between block">
        <span class="tag stop">{{ hindrance.text }}</span><VBtn
          variant="outlined"
          :to="`/visits/${bundle.visit.id}/${hindrance.stop}`"
          >Go to {{ hindrance.stop }}</VBtn
        >
      </li>
    </ul>
    <section class="panel">
      <h2>On the tray, in this order</h2>
      <VTable density="compact" class="plain">
        <thead>
          <tr>
            <th><span class="sr">Laid out</span></th>
            <th>Product</th>
            <th>For</th>
            <th>Amount</th>
            <th>Bottle</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="product in tray.products" :key="product.key" :class="{ bad: product.trouble }">
            <td>
              <VCheckbox
                v-model="laid[product.key]"
                density="compact"
                hide-details
                :aria-label="`${product.name} laid out`"
              />
            </td>
            <td>
              <b>{{ product.name }}</b>
              <div v-if="product.trouble" class="tag stop">{{ product.trouble }}</div>
            </td>
            <td class="soft">{{ product.step }}</td>
            <td class="figures">
              <b>{{ product.amount.words }}</b>{{ ' ' }}
              <span class="soft"
                >{{ gramsWords(product.amount)
                }}{{ product.extra ? `, ${product.extra}` : '' }}</span
              ><span v-if="roundingWords(product.amount)" class="soft">
                ({{ roundingWords(product.amount) }})</span
              >
            </td>
            <td class="figures soft">{{ product.lot ?? 'none' }}</td>
          </tr>
        </tbody>
      </VTable>
    </section>
    <div class="stack">
      <section class="panel">
        <h2>Missing or not fit</h2>
        <p v-if="!tray.missing.length" class="tag good">Everything is here and in date</p>
        <ul v-else class="plainlist stack">
          <li v-for="missing in tray.missing" :key="missing" class="tag stop">{{ missing }}</li>
        </ul>
      </section>
      <section v-if="tray.confirms.length" class="panel">
        <h2>Before you begin</h2>
        <ul class="plainlist">
          <li v-for="confirm in tray.confirms" :key="confirm.say">
            <b>{{ confirm.say }}</b><template v-if="confirm.steps.length"
              ><br /><span class="soft">before {{ confirm.steps.join(', ').toLowerCase() }}</span>
            </template>
          </li>
        </ul>
      </section>
      <section v-if="notes.length" class="panel">
        <h2>For {{ bundle.client.name.split(' ')[0] }}</h2>
        <ul class="plainlist">
          <li v-for="note in notes" :key="note.id">{{ note.text }}</li>
        </ul>
      </section>
      <section class="panel">
        <h2>Switch on</h2>
        <p v-if="!tray.devices.length" class="soft">No device is needed.</p>
        <ul class="plainlist">
          <li v-for="device in tray.devices" :key="device.kind" class="between dev">
            <span
              ><b>{{ device.name }}</b
              ><br /><span class="soft figures">needed at {{ at(device.neededMinute) }}</span></span
            ><span class="big figures serif">{{ at(device.switchOnMinute) }}</span>
          </li>
        </ul>
      </section>
      <section v-if="tray.mixes.length" class="panel">
        <h2>Mix fresh</h2>
        <ul class="plainlist">
          <li v-for="made in tray.mixes" :key="made.key" class="between dev">
            <span
              ><b>{{ made.name }}</b
              ><br /><span class="figures"
                >{{ describeMeasures(made.mix.powder, 'scoop') }} powder,
                {{ describeMeasures(made.mix.liquid, 'scoop') }} {{ made.mix.of }}</span
              ><br /><span class="soft"
                >{{ made.mix.rule.words }}; workable {{ made.mix.rule.workingMinutes }} min</span
              ></span
            ><span class="big figures serif">{{ at(made.atMinute) }}</span>
          </li>
        </ul>
      </section>
      <section class="panel">
        <h2>Linen</h2>
        <ul class="plainlist figures">
          <li v-for="linen in tray.linen" :key="linen.name">
            <b>{{ linen.count }}</b> {{ linen.name }}
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.set {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 16px;
  padding: 8px 24px 30px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.block {
  margin: 4px 0;
  align-items: center;
}
.dev {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.big {
  font-size: 1.5rem;
}
p {
  margin: 4px 0;
}
@media (max-width: 960px) {
  .set {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
