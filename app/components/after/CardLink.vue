<script setup lang="ts">
import type { HomeReply, Message } from '#contracts/replies/home'
import { dayAndClock } from '~/composables/dates'
import { useAttempt } from '~/composables/attempt'
import { useVisit } from '~/stores/visit'

/** The card on the client's own device: sent, or its link shown once to be handed over. */
const props = defineProps<{ after: HomeReply; zone: string; may: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const visit = useVisit()
const { trouble, busy, attempt } = useAttempt()
const link = ref('')
const address = computed(() => {
  if (!props.after.sends) return null
  const { messages, email, phone } = props.after.contact
  return messages === 'mail' ? email : messages === 'text' ? phone : null
})
const make = (send: boolean) =>
  attempt(async () => {
    const body = { id: crypto.randomUUID(), send }
    const made = (await visit.send('/card-link', 'POST', body)) as { token: string; sent: boolean }
    link.value = made.sent ? '' : `${location.origin}/card#${made.token}`
    emit('changed')
  })
const noneWords = computed(() => {
  if (!props.after.sends) return 'No post office is connected: hand the link over yourself.'
  return props.after.contact.messages === 'none'
    ? 'This client gets no messages.'
    : 'There is no address to send to.'
})
const CARRIES = { question: 'Question', card: 'Card' } as const
const STATUS = { waiting: 'waits', sent: 'sent', failed: 'not sent', stopped: 'stopped' } as const
const words = (own: Message) => {
  const when = dayAndClock(own.endedAt ?? own.nextAt, props.zone)
  const why = own.trouble === null || own.status === 'sent' ? '' : ` · ${own.trouble}`
  return `${CARRIES[own.carries]} to ${own.sentTo}: ${STATUS[own.status]}, ${when}${why}`
}
</script>

<template>
  <div class="stack">
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-if="may" class="row">
      <VBtn v-if="address" variant="outlined" :loading="busy" @click="make(true)">
        Send the card to {{ address }}
      </VBtn>
      <VBtn variant="outlined" :loading="busy" @click="make(false)">Link to the card</VBtn>
    </div>
    <p v-if="!address" class="soft">
      {{ noneWords }}
      <NuxtLink v-if="visit.bundle && after.sends" :to="`/people/${visit.bundle.client.id}`"
        >Change it in the client's file</NuxtLink
      >
    </p>
    <VTextField v-if="link" :model-value="link" label="Link, for this client alone" readonly />
    <ul v-if="after.messages.length" class="plainlist figures soft">
      <li v-for="own in after.messages" :key="own.id">{{ words(own) }}</li>
    </ul>
  </div>
</template>
