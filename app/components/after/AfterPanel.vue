<script setup lang="ts">
import type { RegionId } from '#core/face/zones'
import { dayOfMoment } from '#core/screening/asking/told'
import { accepts } from '#core/visit/accepts'
import { useAfterwards } from '~/composables/afterwards'
import { useVisit } from '~/stores/visit'

/** After the visit: home, the questions of the next days, the card, a note for a doctor. */
const emit = defineEmits<{ printNote: [] }>()
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const { after, trouble, busy, send, refresh } = await useAfterwards()
// With the seal the questions of the next days come to be.
watch(
  () => bundle.value?.seal?.number,
  (number) => {
    if (number !== undefined) void refresh()
  },
)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'afterwards'),
)
const used = computed(() =>
  (bundle.value?.shelf ?? []).map(({ product }) => ({ id: product.id, name: product.name })),
)
const write = (note: { regions: RegionId[]; seen: string; since: string }) =>
  send('/referrals', { id: crypto.randomUUID(), ...note })
const routineWords = computed(() => {
  const own = after.value?.routine
  if (!own) return 'No routine written yet.'
  return own.visitId === bundle.value?.visit.id
    ? 'Written at this visit.'
    : 'Written at an earlier visit.'
})
</script>

<template>
  <template v-if="bundle && after">
    <p v-if="trouble" role="alert" class="tag stop noprint">{{ trouble }}</p>
    <section class="panel noprint between">
      <div>
        <h2>Routine at home</h2>
        <p class="soft">{{ routineWords }}</p>
      </div>
      <VBtn variant="outlined" :to="`/visits/${bundle.visit.id}/home`">
        {{ after.routine ? 'Open the routine' : 'Write the routine' }}
      </VBtn>
    </section>
    <section id="afterwards" class="panel noprint stack">
      <h2>The days after</h2>
      <CheckInList
        v-if="after.checkIns.length"
        :check-ins="after.checkIns"
        :visit-id="bundle.visit.id"
        :zone="bundle.practice.timeZone"
        :today="dayOfMoment(bundle.now, bundle.practice.timeZone)"
        :products="used"
        :busy="busy"
        @told="(checkInId, answers) => send('/told', { checkInId, answers })"
        @seen-to="(checkInId, note, suspected) => send('/seen-to', { checkInId, note, suspected })"
      />
      <p v-else class="soft">Asked once the record is sealed.</p>
      <CardLink :after="after" :zone="bundle.practice.timeZone" :may="may" @changed="refresh" />
    </section>
    <ReferralPanel
      :referrals="after.referrals"
      :client="bundle.client"
      :practice="bundle.practice"
      :may="may"
      :busy="busy"
      @write="write"
      @file="(referralId, answer) => send('/referral-answers', { referralId, answer })"
      @print="emit('printNote')"
    />
  </template>
</template>
