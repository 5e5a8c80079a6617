<script setup lang="ts">
import { stopOf } from '#core/visit/stops'
import { hasBegun, wasTreated } from '#core/visit/status'
import { readParts, recordParts } from '#core/visit/record'
import { offerFile } from '~/composables/files'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useSession } from '~/stores/session'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const session = useSession()
const api = useApi()
const bundle = computed(() => visit.bundle)
const sealed = computed(() => bundle.value?.seal ?? null)
const text = ref(visit.bundle?.visit.recordText ?? '')
const { trouble, busy, attempt } = useAttempt()
const printing = ref<'record' | 'aftercare' | 'note'>('record')
const amending = ref(false)
const draft = useDraft({
  key: () => `close-${bundle.value?.visit.id ?? ''}`,
  value: () => text.value,
  restore: (kept) => {
    text.value = kept
  },
  open: () => !sealed.value,
})
onMounted(draft.start)

const parts = computed(() => {
  if (!bundle.value || !wasTreated(bundle.value.visit.status)) return null
  return readParts(sealed.value ? bundle.value.record : recordParts(bundle.value, text.value))
})
const begun = computed(() => (bundle.value ? hasBegun(bundle.value.visit.status) : false))
const back = computed(() => {
  if (!bundle.value) return '/'
  return `/visits/${bundle.value.visit.id}/${stopOf(bundle.value.visit.status)}`
})
const lastText = computed(() => {
  const { amendments = [], visit: own } = bundle.value ?? {}
  return amendments[amendments.length - 1]?.after ?? own?.recordText ?? ''
})

const path = (what: string) => `/api/visits/${bundle.value?.visit.id ?? ''}/${what}`
/** Minutes of a visit that was tapped through, while it is asked whether it stands. */
const rushed = computed(() => parts.value?.treatment?.rushed ?? null)
const asking = ref(false)
const seal = (asItStands: boolean) =>
  attempt(async () => {
    if (rushed.value && !asItStands) {
      asking.value = true
      return
    }
    await visit.send('/seal', 'POST', { text: text.value, asItStands })
    asking.value = false
    await draft.drop()
    await visit.reload()
  })
const calendar = () =>
  attempt(async () =>
    offerFile(await api<string>(path('next')), 'appointment.ics', 'text/calendar'),
  )
const exportIt = () =>
  attempt(async () => {
    const document = JSON.stringify(await api<unknown>(path('export')), null, 2)
    offerFile(document, 'visit.json', 'application/json')
  })
const print = (what: 'record' | 'aftercare' | 'note') =>
  attempt(async () => {
    await visit.send('/printed', 'POST')
    printing.value = what
    await nextTick()
    window.print()
  })
async function amend(after: string, reason: string) {
  const kept = await attempt(async () => {
    await visit.send('/amendments', 'POST', { id: crypto.randomUUID(), after, reason })
    await visit.reload()
  })
  if (kept) amending.value = false
}
const followed = () =>
  attempt(async () => {
    await visit.send('/follow-up', 'POST')
    await visit.reload()
  })
</script>

<template>
  <div v-if="bundle" class="close" :class="`print-${printing}`">
    <StopAction>
      <template v-if="parts">
        <VBtn
          variant="outlined"
          :disabled="!bundle.practice.phone"
          :title="
            bundle.practice.phone ? '' : 'A card needs a number to call: enter it under Practice'
          "
          @click="print('aftercare')"
          >Print aftercare</VBtn
        >
        <VBtn variant="outlined" @click="print('record')">Print record</VBtn>
      </template>
      <VBtn
        v-if="parts && !sealed"
        color="primary"
        :loading="busy"
        :disabled="!bundle.may.seal"
        @click="seal(false)"
        >Seal the record</VBtn
      >
      <VBtn v-else-if="sealed" color="primary" to="/">Back to the day</VBtn>
      <VBtn v-else color="primary" :to="back">
        {{ begun ? 'Back to the room' : 'Begin with Ask' }}
      </VBtn>
    </StopAction>
    <p v-if="trouble" role="alert" class="tag stop wide noprint">{{ trouble }}</p>
    <UnseenPlans class="wide" />
    <p v-if="!parts" class="panel wide">
      The record writes itself from what is tapped in the room.
      {{ begun ? 'The treatment is still going on.' : 'The treatment has not begun.' }}
    </p>
    <template v-else>
      <div class="main">
        <RecordSheet
          v-model:notes="text"
          :bundle="bundle"
          :treatment="parts.treatment"
          :sealed-notes="parts.notes"
          :sent-home="parts.aftercare"
        />
        <div class="below">
          <AfterPanel @print-note="print('note')" />
          <VisitMoneyPanel
            v-if="session.me?.role === 'owner'"
            :visit-id="bundle.visit.id"
            :currency="bundle.practice.currency"
            :sealed="sealed !== null"
          />
          <section v-if="sealed" class="panel noprint row">
            <VBtn variant="outlined" :disabled="!bundle.may.seal" @click="amending = true">
              Amend
            </VBtn>
            <VBtn v-if="bundle.may.export" variant="outlined" @click="exportIt">
              Export the visit
            </VBtn>
          </section>
        </div>
      </div>
      <div class="stack side">
        <WhyPanel
          v-if="parts.treatment && !sealed && bundle.may.write"
          :bundle="bundle"
          :lines="parts.treatment.lines"
        />
        <AftercareSheet
          :bundle="bundle"
          :lines="parts.aftercare"
          :finished-at="parts.treatment?.finishedAt ?? null"
        />
        <KeptPieces
          v-if="parts.treatment && !sealed && bundle.may.write"
          :bundle="bundle"
          :treatment="parts.treatment"
        />
        <FollowUpLine v-if="bundle.followUp" v-bind="bundle.followUp" @called="followed" />
        <PictureList v-if="bundle.photographs.length" :bundle="bundle" />
        <HalvesPanel class="noprint" moment="after" />
        <TakenQuestion v-if="!sealed" :bundle="bundle" />
        <NextVisitPanel :bundle="bundle" @calendar="calendar" />
      </div>
    </template>
    <RushedDialog
      v-if="asking && rushed"
      v-bind="rushed"
      :busy="busy"
      @seal="seal(true)"
      @close="asking = false"
    />
    <AmendDialog
      v-if="amending"
      :before="lastText"
      :trouble="trouble"
      @amend="amend"
      @close="amending = false"
    />
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
.main {
  display: grid;
  gap: 16px;
}
.below {
  columns: 2 300px;
  column-gap: 16px;
}
.below > :deep(*) {
  break-inside: avoid;
  margin-bottom: 16px;
}
@media (max-width: 1000px) {
  .close {
    grid-template-columns: minmax(0, 1fr);
  }
  .main {
    display: contents;
  }
  .below {
    order: 1;
  }
}
@media print {
  .close,
  .main {
    display: block;
    padding: 0;
  }
  /* A note for a doctor takes the whole width of its sheet. */
  .below {
    columns: auto;
  }
  .close :deep(.panel) {
    border: 0;
    padding: 0;
  }
  .print-record :deep(.aftercare),
  .print-record :deep(.referral),
  .print-aftercare :deep(.record),
  .print-aftercare :deep(.referral),
  .print-note :deep(.record),
  .print-note :deep(.aftercare) {
    display: none;
  }
}
</style>
