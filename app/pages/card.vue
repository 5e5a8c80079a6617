<script setup lang="ts">
import type { CardReply } from '#contracts/replies/home'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { offerFile } from '~/composables/files'
import { useLinkKey } from '~/composables/linkKey'
import { useApi } from '~/composables/useApi'

/** The card on the client's own device: what to mind, until when, what may come, what to use. */
definePageMeta({ layout: 'bare' })
useHead({ title: 'Your card · Oak Basin', meta: [{ name: 'robots', content: 'noindex' }] })
const api = useApi()
const key = useLinkKey()
const { trouble, attempt } = useAttempt()
const card = ref<CardReply | null>(null)
watch(key, (token) => {
  if (token === null) return
  void attempt(async () => {
    card.value = await api<CardReply>('/api/card/open', { method: 'POST', body: { token } })
  })
})
/** The practice among the contacts of the telephone: nothing of the visit is in it. */
async function saveNumber() {
  if (!card.value) return
  const { contactCard } = await import('~/composables/contactCard')
  offerFile(contactCard(card.value.practice), 'practice.vcf', 'text/vcard')
}
const zone = computed(() => card.value?.practice.timeZone ?? 'UTC')
</script>

<template>
  <div class="paper stack">
    <template v-if="card">
      <h1>After your visit</h1>
      <p class="soft">
        {{ card.practice.name }}, with {{ card.therapist }} · {{ dayAndClock(card.at, zone) }}
      </p>
      <CallBox :practice="card.practice" />
      <VBtn variant="outlined" @click="saveNumber">Save the practice’s number</VBtn>
      <CareLines :lines="card.lines" :ended="card.at" :zone="zone" />
      <ForecastLines :lines="card.forecast" :zone="zone" />
      <p v-if="card.next"><b>Your next visit:</b> {{ dayAndClock(card.next, zone) }}</p>
      <RoutineSheet
        v-if="card.routine"
        :routine="card.routine"
        client=""
        :practice="card.practice"
      />
      <p v-if="card.practice.cardText">{{ card.practice.cardText }}</p>
    </template>
    <p v-else-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-else class="soft">Opening…</p>
  </div>
</template>

<style scoped>
.paper {
  max-width: 760px;
  margin: 0 auto;
  padding: 20px 14px 60px;
  min-height: 100dvh;
}
</style>
