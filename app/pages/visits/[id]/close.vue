<script setup lang="ts">
import { DateTime } from 'luxon'
import { recordParts, stepsDone } from '#core/visit/record'
import { foldContext } from '#core/visit/planInput'
import { suggestNext } from '#core/course/next'
import type { RecordDraft } from '#core/record/build'
import type { AftercareLine } from '#core/aftercare/card'
import { fold } from '#core/treatment/fold'
import { dayAndClock, dayWords } from '~/composables/dates'
import { offerFile } from '~/composables/files'
import { sayProblem, useApi } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const api = useApi()
const b = computed(() => visit.bundle)
const zone = computed(() => b.value?.practice.timeZone ?? 'UTC')
const sealed = computed(() => b.value?.seal ?? null)
const text = ref(visit.bundle?.visit.recordText ?? '')
const trouble = ref('')
const busy = ref(false)
const printing = ref<'record' | 'aftercare'>('record')
const draft = useDraft({
  key: () => `close-${b.value?.visit.id ?? ''}`,
  value: () => text.value,
  restore: (d) => {
    text.value = d
  },
  open: () => !sealed.value,
})
onMounted(draft.start)
type Aftercare = (Omit<AftercareLine, 'until'> & { until: string })[]
const parts = computed(() => {
  if (!b.value || b.value.visit.status === 'booked' || b.value.visit.status === 'treating')
    return null
  const list = sealed.value
    ? b.value.record.map((r) => ({ name: r.name, content: r.content }))
    : recordParts(b.value, text.value)
  const find = (name: string): unknown => list.find((p) => p.name === name)?.content ?? null
  return {
    treatment: find('treatment') as RecordDraft | null,
    aftercare: find('aftercare') as Aftercare | null,
    notes: find('notes') as string | null,
  }
})
const suggestion = computed(() => {
  if (!b.value || !visit.input || b.value.visit.status === 'booked') return null
  return suggestNext(
    stepsDone(b.value, fold(b.value.events, foldContext(b.value, visit.input))).map(
      (s) => s.technique,
    ),
    b.value.today,
  )
})
const nextDay = ref('')
const nextTime = ref('10:00')
watch(
  [() => b.value?.visit.nextVisitAt, suggestion],
  () => {
    const at = b.value?.visit.nextVisitAt
    if (at) {
      const d = DateTime.fromMillis(at, { zone: zone.value })
      nextDay.value = d.toISODate() ?? ''
      nextTime.value = d.toFormat('HH:mm')
    } else if (!nextDay.value) nextDay.value = suggestion.value?.day ?? ''
  },
  { immediate: true },
)

async function attempt(work: () => Promise<unknown>) {
  busy.value = true
  trouble.value = ''
  try {
    await work()
    return true
  } catch (e) {
    trouble.value = sayProblem(e)
    return false
  } finally {
    busy.value = false
  }
}
const seal = () =>
  attempt(async () => {
    await visit.send('/seal', 'POST', { text: text.value })
    await draft.drop()
    await visit.reload()
  })
const setNext = () =>
  attempt(() =>
    visit.change({
      nextVisitAt: DateTime.fromISO(`${nextDay.value}T${nextTime.value}`, { zone: zone.value })
        .toUTC()
        .toISO({ suppressMilliseconds: true }),
    }),
  )
const calendar = () =>
  attempt(async () =>
    offerFile(
      await api<string>(`/api/visits/${b.value?.visit.id ?? ''}/next`),
      'appointment.ics',
      'text/calendar',
    ),
  )
const exportIt = () =>
  attempt(async () =>
    offerFile(
      JSON.stringify(await api<unknown>(`/api/visits/${b.value?.visit.id ?? ''}/export`), null, 2),
      'visit.json',
      'application/json',
    ),
  )
const print = (what: 'record' | 'aftercare') =>
  attempt(async () => {
    await visit.send('/printed', 'POST')
    printing.value = what
    await nextTick()
    window.print()
  })
/** A rest of days ends with its day; one of hours has a time of day. */
const untilWords = (at: number) =>
  at - Math.max(...(b.value?.events ?? []).map((e) => e.at), b.value?.visit.startsAt ?? 0) >
  40 * 3_600_000
    ? dayWords(at, zone.value)
    : dayAndClock(at, zone.value)
const amending = ref(false)
const after = ref('')
const reason = ref('')
const startAmend = () => {
  after.value =
    b.value?.amendments[b.value.amendments.length - 1]?.after ?? b.value?.visit.recordText ?? ''
  reason.value = ''
  amending.value = true
}
const amend = async () => {
  if (
    await attempt(async () => {
      await visit.send('/amendments', 'POST', {
        id: crypto.randomUUID(),
        after: after.value,
        reason: reason.value,
      })
      await visit.reload()
    })
  )
    amending.value = false
}
const followed = () =>
  attempt(async () => {
    await visit.send('/follow-up', 'POST')
    await visit.reload()
  })
</script>

<template>
  <div v-if="b" class="close" :class="`print-${printing}`">
    <StopAction>
      <template v-if="parts"
        ><VBtn variant="outlined" @click="print('aftercare')">Print aftercare</VBtn
        ><VBtn variant="outlined" @click="print('record')">Print record</VBtn></template
      >
      <VBtn
        v-if="parts && !sealed"
        color="primary"
        :loading="busy"
        :disabled="!b.may.seal"
        @click="seal"
        >Seal the record</VBtn
      >
      <VBtn v-else-if="sealed" color="primary" to="/">Back to the day</VBtn>
      <VBtn
        v-else
        color="primary"
        :to="`/visits/${b.visit.id}/${b.visit.status === 'treating' ? 'treat' : 'ask'}`"
        >{{ b.visit.status === 'treating' ? 'Back to the room' : 'Begin with Ask' }}</VBtn
      >
    </StopAction>
    <p v-if="trouble" role="alert" class="tag stop wide noprint">{{ trouble }}</p>
    <p v-if="!parts" class="panel wide">
      The record writes itself from what is tapped in the room.
      {{
        b.visit.status === 'treating'
          ? 'The treatment is still going on.'
          : 'The treatment has not begun.'
      }}
    </p>
    <template v-else>
      <article class="panel sheet record">
        <header class="between">
          <div>
            <h2>Treatment record</h2>
            <p class="soft">
              {{ b.client.name }} · {{ dayAndClock(b.visit.startsAt, zone) }} · {{ b.staff.name }} ·
              {{ b.room.name }} · {{ b.practice.name }}
            </p>
          </div>
          <span v-if="sealed" class="tag good">sealed</span
          ><span v-else class="tag watch noprint">not sealed yet</span>
        </header>
        <p v-if="parts.treatment?.stopped" class="tag stop">
          Stopped: {{ parts.treatment.stopped.reason }}
        </p>
        <p class="figures">
          Planned {{ parts.treatment?.plannedMinutes }} min, took
          {{ parts.treatment?.actualMinutes ?? '–' }} min{{
            parts.treatment?.versions.length
              ? ` · changed: ${parts.treatment.versions.map((v) => v.reason).join(', ')}`
              : ''
          }}
        </p>
        <table class="plain lines">
          <thead>
            <tr>
              <th>Step</th>
              <th>Zones</th>
              <th>Planned</th>
              <th>Took</th>
              <th>Product, bottle</th>
              <th>Different</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in parts.treatment?.lines" :key="l.key">
              <td>
                <b>{{ l.name }}</b>{{ l.passes ? `, ${l.passes} ×` : '' }}
              </td>
              <td class="soft">{{ l.zones }}</td>
              <td class="figures">{{ l.plannedMinutes ?? '–' }}</td>
              <td class="figures">{{ l.actualMinutes ?? '–' }}</td>
              <td>
                {{ l.product?.name
                }}<span v-if="l.product" class="soft figures amount"
                  >{{ l.product.takenMl ?? l.product.plannedMl }} mL{{
                    l.product.lot ? `, ${l.product.lot}` : ''
                  }}</span
                >
              </td>
              <td class="dev">{{ l.deviation }}</td>
            </tr>
          </tbody>
        </table>
        <template v-if="parts.treatment?.reactions.length"
          ><h3>Reactions</h3>
          <ul class="plainlist">
            <li v-for="r in parts.treatment.reactions" :key="r.at + r.text" class="figures">
              {{
                dayAndClock(Date.parse(r.at), zone).split(', ')[2] ??
                dayAndClock(Date.parse(r.at), zone)
              }}: {{ r.text }} → {{ r.verdict }}
            </li>
          </ul></template
        >
        <template v-if="parts.treatment?.contraActions.length"
          ><h3>Contra-action</h3>
          <ul class="plainlist">
            <li v-for="c in parts.treatment.contraActions" :key="c.at">
              {{ c.what }} ({{ c.where }}). Done: {{ c.done }}. Suspected:
              {{ b.shelf.find((x) => x.product.id === c.suspected)?.product.name ?? 'none' }}.
            </li>
          </ul></template
        >
        <template v-if="parts.treatment?.notes.length"
          ><h3>Noted in the room</h3>
          <p>{{ parts.treatment.notes.map((n) => n.text).join(' · ') }}</p></template
        >
        <h3>Notes</h3>
        <VTextarea
          v-if="!sealed"
          v-model="text"
          label="What else should stand in the record"
          :maxlength="8000"
          class="noprint"
          :disabled="!b.may.write"
        />
        <p v-else class="prewrap">{{ parts.notes || 'none' }}</p>
        <template v-if="b.amendments.length"
          ><h3>Amended in the open</h3>
          <div v-for="a in b.amendments" :key="a.at" class="amend">
            <p class="soft">{{ dayAndClock(a.at, zone) }}, {{ a.by }}: {{ a.reason }}</p>
            <p>
              <s>{{ a.before || 'nothing' }}</s>
            </p>
            <p>{{ a.after }}</p>
          </div></template
        >
        <p v-if="sealed" class="seal figures">
          Seal {{ sealed.number }} · {{ dayAndClock(sealed.at, zone) }} · {{ sealed.by }}<br />{{
            sealed.head
          }}
        </p>
      </article>
      <div class="stack side">
        <article class="panel sheet aftercare">
          <h2>At home, and until when</h2>
          <p class="soft onlyprint">
            {{ b.client.name }} · {{ b.practice.name }}, {{ b.practice.phone }}
          </p>
          <ul class="plainlist">
            <li v-for="a in parts.aftercare ?? []" :key="a.topic" class="care">
              <b>{{ a.sentence }}</b><span class="figures until"
                >until {{ untilWords(Date.parse(a.until)) }}</span
              ><span class="soft">{{ a.why }}</span>
            </li>
          </ul>
          <p>
            Burning, swelling, blisters, or redness that grows: cool water, nothing on it, call
            {{ b.practice.phone }}. Trouble breathing: {{ b.practice.emergency }}.
          </p>
        </article>
        <section v-if="b.followUp" class="panel noprint between">
          <p>
            <b>Follow-up due {{ b.followUp.dueOn }}</b
            ><br />{{ b.followUp.reason }}
          </p>
          <VBtn v-if="!b.followUp.done" variant="outlined" @click="followed">Called</VBtn
          ><span v-else class="tag good">called</span>
        </section>
        <HalvesPanel class="noprint" moment="after" />
        <section class="panel noprint stack">
          <h2>Next visit</h2>
          <p v-if="suggestion" class="soft">
            Suggested {{ dayWords(Date.parse(`${suggestion.day}T12:00:00Z`), zone) }}:
            {{ suggestion.reason }}.
          </p>
          <div class="row">
            <VTextField v-model="nextDay" type="date" label="Day" density="compact" /><VTextField
              v-model="nextTime"
              type="time"
              label="Time"
              density="compact"
            />
          </div>
          <div class="row">
            <VBtn variant="outlined" :disabled="!b.may.write || !nextDay" @click="setNext"
              >Set the next visit</VBtn
            ><VBtn v-if="b.visit.nextVisitAt" variant="outlined" @click="calendar"
              >Calendar file</VBtn
            >
          </div>
        </section>
        <section v-if="sealed" class="panel noprint row">
          <VBtn variant="outlined" :disabled="!b.may.seal" @click="startAmend">Amend</VBtn
          ><VBtn v-if="b.may.export" variant="outlined" @click="exportIt">Export the visit</VBtn>
        </section>
      </div>
    </template>
    <VDialog v-model="amending" max-width="640" aria-label="Amend the record"
      ><VCard class="pa-5 stack"
        ><h2>Amend the record</h2>
        <p class="soft">Both texts and the reason stay in sight. The seal is not touched.</p>
        <VTextarea v-model="after" label="The notes as they should read" /><VTextField
          v-model="reason"
          label="Why"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn color="primary" @click="amend">Add the amendment</VBtn
          ><VBtn variant="outlined" @click="amending = false">Leave it</VBtn>
        </div></VCard
      ></VDialog
    >
  </div>
</template>

<style scoped>
.close {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 16px;
  padding: 8px 24px 30px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
p {
  margin: 4px 0;
}
.lines {
  font-size: 0.875rem;
}
.lines td {
  padding: 4px 8px;
}
.amount {
  margin-left: 6px;
}
.dev {
  color: var(--clay-deep);
}
.prewrap {
  white-space: pre-wrap;
}
h3 {
  margin-top: 10px;
}
.seal {
  border-top: 1px solid var(--line);
  margin-top: 14px;
  padding-top: 8px;
  font-size: 0.8125rem;
  color: var(--ink-soft);
  word-break: break-all;
}
.care {
  display: flex;
  flex-direction: column;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.until {
  color: var(--basin);
  font-weight: 650;
}
.amend {
  border-left: 4px solid var(--amber);
  padding-left: 10px;
  margin: 6px 0;
}
.onlyprint {
  display: none;
}
@media (max-width: 1000px) {
  .close {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .close {
    display: block;
    padding: 0;
  }
  .panel {
    border: 0;
    padding: 0;
  }
  .onlyprint {
    display: block;
  }
  .print-record .aftercare,
  .print-aftercare .record {
    display: none;
  }
}
</style>
