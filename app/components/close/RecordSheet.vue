<script setup lang="ts">
import { wornWords } from '#core/catalogue/consultation/makeUp'
import type { RecordDraft } from '#core/record/build'
import type { AftercareOnRecord } from '#core/visit/record'
import type { VisitBundle } from '#core/visit/bundle'
import { clock, dayAndClock } from '~/composables/dates'

/** The record on paper: what was planned, what was done, what was seen. */
const props = defineProps<{
  bundle: VisitBundle
  treatment: RecordDraft | null
  /** The notes as they were sealed. */
  sealedNotes: string | null
  /** The lines of the card. */
  sentHome: readonly AftercareOnRecord[]
}>()
const notes = defineModel<string>('notes', { required: true })
const zone = computed(() => props.bundle.practice.timeZone)
const head = computed(() => {
  const { client, visit, staff, room, practice } = props.bundle
  const when = dayAndClock(visit.at, zone.value)
  return [client.name, when, staff.name, room.name, practice.name].join(' · ')
})
const took = computed(() => {
  const draft = props.treatment
  const versions = draft?.versions.map((version) => version.reason) ?? []
  const changed = versions.length ? ` · changed: ${versions.join(', ')}` : ''
  return `Planned ${draft?.plannedMinutes} min, took ${draft?.actualMinutes ?? '–'} min${changed}`
})
const reactions = computed(() =>
  (props.treatment?.reactions ?? []).map(({ at, text, verdict }) => ({
    key: at + text,
    text: `${clock(Date.parse(at), zone.value)}: ${text} → ${verdict}`,
  })),
)
const breaches = computed(() =>
  (props.treatment?.breaches ?? []).map(({ at, what, who }) => ({
    key: at + what,
    text: [`${clock(Date.parse(at), zone.value)}: ${what}`, who].filter(Boolean).join(', '),
  })),
)
const suspected = (id: string | null) =>
  props.bundle.shelf.find((item) => item.product.id === id)?.product.name ?? 'none'
const noted = computed(() => (props.treatment?.notes ?? []).map((note) => note.text).join(' · '))
const amended = computed(() =>
  props.bundle.amendments.map(({ at, by, reason, before, after }) => ({
    key: `${at} ${by}`,
    said: `${dayAndClock(at, zone.value)}, ${by}: ${reason}`,
    ...{ before: before ?? '', after: after ?? '' },
  })),
)
</script>

<template>
  <article class="panel sheet record">
    <header class="between">
      <div>
        <h2>Treatment record</h2>
        <p class="soft">{{ head }}</p>
      </div>
      <span v-if="bundle.seal" class="tag good">sealed</span>
      <span v-else class="tag watch noprint">not sealed yet</span>
    </header>
    <p v-if="treatment?.stopped" class="tag stop">Stopped: {{ treatment.stopped.reason }}</p>
    <p class="figures">{{ took }}</p>
    <p>Came with on the face: {{ wornWords(bundle.visit.makeUp) }}.</p>
    <RecordLines :lines="treatment?.lines ?? []" />
    <template v-if="reactions.length">
      <h3>Reactions</h3>
      <ul class="plainlist">
        <li v-for="reaction in reactions" :key="reaction.key" class="figures">
          {{ reaction.text }}
        </li>
      </ul>
    </template>
    <template v-if="treatment?.contraActions.length">
      <h3>Contra-action</h3>
      <ul class="plainlist">
        <li v-for="action in treatment.contraActions" :key="action.at">
          {{ action.what }} ({{ action.where }}). Done: {{ action.done }}. Suspected:
          {{ action.suspectedWork ?? suspected(action.suspected) }}.
        </li>
      </ul>
    </template>
    <template v-if="breaches.length">
      <h3>Done against a rule</h3>
      <ul class="plainlist">
        <li v-for="breach in breaches" :key="breach.key" class="figures">{{ breach.text }}</li>
      </ul>
    </template>
    <p v-if="treatment?.unknown" class="tag watch">
      {{ treatment.unknown.length }} of the taps named a step or plan that did not exist yet; they
      changed nothing.
    </p>
    <template v-if="noted">
      <h3>Noted in the room</h3>
      <p>{{ noted }}</p>
    </template>
    <RecordMore :bundle="bundle" :sent-home="sentHome" />
    <h3>Notes</h3>
    <VTextarea
      v-if="!bundle.seal"
      v-model="notes"
      label="Anything else for the record"
      :maxlength="8000"
      class="noprint"
      :disabled="!bundle.may.write"
    />
    <p v-else class="prewrap">{{ sealedNotes || 'none' }}</p>
    <AmendmentList v-if="amended.length" :amendments="amended" />
    <p v-if="bundle.seal" class="seal figures">
      Seal {{ bundle.seal.number }} · {{ dayAndClock(bundle.seal.at, zone) }} · {{ bundle.seal.by
      }}<br />{{ bundle.seal.head }}
    </p>
  </article>
</template>

<style scoped>
p {
  margin: 4px 0;
}
h3 {
  margin-top: 10px;
}
.prewrap {
  white-space: pre-wrap;
}
.seal {
  border-top: 1px solid var(--line);
  margin-top: 14px;
  padding-top: 8px;
  font-size: 0.8125rem;
  color: var(--ink-soft);
  word-break: break-all;
}
</style>
