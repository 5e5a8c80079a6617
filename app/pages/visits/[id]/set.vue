<script setup lang="ts">
import { toMilliseconds } from '#core/units'
import { stopOf } from '#core/visit/stops'
import { gramsWords, roundingWords } from '#core/dosing/amount'
import { preferenceNotes } from '#core/catalogue/consultation/preferences'
import { trayFor } from '#core/tray/tray'
import { clock } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const b = computed(() => visit.bundle)
const steps = computed(() =>
  b.value?.visit.status === 'booked'
    ? visit.draft
    : (b.value?.plans[b.value.plans.length - 1]?.steps ?? []),
)
const tray = computed(() => (visit.input ? trayFor(visit.input, steps.value) : null))
const at = (minute: number) =>
  clock(
    (b.value?.visit.startsAt ?? 0) + toMilliseconds(minute),
    b.value?.practice.timeZone ?? 'UTC',
  )
const laid = ref<Record<string, boolean>>({})
const trouble = ref('')
const busy = ref(false)
const notes = computed(() => preferenceNotes(b.value?.client.preferences ?? {}))
const blocks = computed(() => (b.value?.visit.status === 'booked' ? visit.open : []))
async function begin() {
  busy.value = true
  trouble.value = ''
  try {
    await visit.send('/start', 'POST')
    await visit.reload()
    await navigateTo(`/visits/${b.value?.visit.id ?? ''}/treat`)
  } catch (e) {
    trouble.value = sayProblem(e)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="b && tray" class="set">
    <StopAction>
      <VBtn
        v-if="b.visit.status === 'booked'"
        color="primary"
        :loading="busy"
        :disabled="blocks.length > 0 || !b.may.write"
        @click="begin"
        >Start the treatment</VBtn
      >
      <VBtn v-else color="primary" :to="`/visits/${b.visit.id}/${stopOf(b.visit.status)}`">{{
        b.visit.status === 'treating' ? 'Back to the room' : 'To the record'
      }}</VBtn>
    </StopAction>
    <p v-if="trouble" role="alert" class="tag stop wide">{{ trouble }}</p>
    <ul v-if="blocks.length" class="plainlist wide" aria-label="Still open">
      <li v-for="o in blocks" :key="o.stop + o.text" class="between block">
        <span class="tag stop">{{ o.text }}</span><VBtn
          variant="outlined"
          :to="`/visits/${b.visit.id}/${o.stop}`"
          >Go to {{ o.stop }}</VBtn
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
          <tr v-for="p in tray.products" :key="p.key" :class="{ bad: p.trouble }">
            <td>
              <input v-model="laid[p.key]" type="checkbox" :aria-label="`${p.name} laid out`" />
            </td>
            <td>
              <b>{{ p.name }}</b>
              <div v-if="p.trouble" class="tag stop">{{ p.trouble }}</div>
            </td>
            <td class="soft">{{ p.step }}</td>
            <td class="figures">
              <b>{{ p.amount.words }}</b>{{ ' ' }}
              <span class="soft">{{ gramsWords(p.amount) }}{{ p.extra ? `, ${p.extra}` : '' }}</span
              ><span v-if="roundingWords(p.amount)" class="soft">
                ({{ roundingWords(p.amount) }})</span
              >
            </td>
            <td class="figures soft">{{ p.lot ?? 'none' }}</td>
          </tr>
        </tbody>
      </VTable>
    </section>
    <div class="stack">
      <section class="panel">
        <h2>Missing or not fit</h2>
        <p v-if="!tray.missing.length" class="tag good">Everything is here and in date</p>
        <ul v-else class="plainlist stack">
          <li v-for="m in tray.missing" :key="m" class="tag stop">{{ m }}</li>
        </ul>
      </section>
      <section v-if="notes.length" class="panel">
        <h2>For {{ b.client.name.split(' ')[0] }}</h2>
        <ul class="plainlist">
          <li v-for="n in notes" :key="n.id">{{ n.text }}</li>
        </ul>
      </section>
      <section class="panel">
        <h2>Switch on</h2>
        <p v-if="!tray.devices.length" class="soft">No device is needed.</p>
        <ul class="plainlist">
          <li v-for="d in tray.devices" :key="d.kind" class="between dev">
            <span
              ><b>{{ d.name }}</b
              ><br /><span class="soft figures">needed at {{ at(d.neededMinute) }}</span></span
            ><span class="big figures serif">{{ at(d.switchOnMinute) }}</span>
          </li>
        </ul>
      </section>
      <section v-if="tray.mixes.length" class="panel">
        <h2>Mix fresh</h2>
        <ul class="plainlist">
          <li v-for="m in tray.mixes" :key="m.key" class="between dev">
            <span
              ><b>{{ m.name }}</b
              ><br /><span class="figures"
                >{{ m.mix.powder }} scoop{{ m.mix.powder === 1 ? '' : 's' }} powder,
                {{ m.mix.liquid }} {{ m.mix.of }}</span
              ><br /><span class="soft"
                >{{ m.mix.rule.words }}; workable {{ m.mix.rule.workingMinutes }} min</span
              ></span
            ><span class="big figures serif">{{ at(m.atMinute) }}</span>
          </li>
        </ul>
      </section>
      <section class="panel">
        <h2>Linen</h2>
        <ul class="plainlist figures">
          <li v-for="l in tray.linen" :key="l.name">
            <b>{{ l.count }}</b> {{ l.name }}
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
input[type='checkbox'] {
  width: 24px;
  height: 24px;
  accent-color: var(--basin);
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
