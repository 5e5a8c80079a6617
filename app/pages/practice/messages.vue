<script setup lang="ts">
import { MESSAGE_HOURS } from '#core/catalogue/rules/messages'
import type { Message, MessagesReply } from '#contracts/replies/home'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** What waits to be sent to clients, what was sent, and what could not be. */
useHead({ title: 'Messages · Oak Basin' })
const api = useApi()
const { trouble, busy, attempt } = useAttempt()
const { data, error, refresh } = await useAsyncData('messages', () =>
  api<MessagesReply>('/api/messages'),
)
const zone = computed(() => data.value?.timeZone ?? 'UTC')
const hours = `from ${MESSAGE_HOURS.from}:00 to ${MESSAGE_HOURS.to}:00`
const CARRIES = { question: 'a question', card: 'the card' } as const
const STATUS = { waiting: 'waits', sent: 'sent', failed: 'not sent', stopped: 'stopped' } as const
const TAG = { waiting: 'watch', sent: 'good', failed: 'stop', stopped: 'calm' } as const
const decide = (own: Message, does: 'again' | 'stop') =>
  attempt(async () => {
    await api(`/api/messages/${own.id}`, { method: 'POST', body: { does } })
    await refresh()
  })
const whenWords = (own: Message) =>
  own.endedAt === null
    ? `${own.tries === 0 ? 'goes out' : `tried ${own.tries} times, again`} ${dayAndClock(own.nextAt, zone.value)}`
    : dayAndClock(own.endedAt, zone.value)
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Messages</h1>
      <VBtn variant="outlined" to="/practice">To the Practice page</VBtn>
    </div>
    <p class="soft">
      Each holds a link and the name of the practice, no word of skin or health. They go out
      {{ hours }}, only to clients who want them.
    </p>
    <p v-if="error || trouble" role="alert" class="tag stop">
      {{ trouble || sayProblem(error) }}
    </p>
    <p v-if="data && !data.connected" class="tag watch">
      No post office is connected: nothing is sent. Links can be handed over from Close.
    </p>
    <section class="panel">
      <VTable v-if="data?.messages.length" v-scrolls class="plain">
        <thead>
          <tr>
            <th>Client</th>
            <th>What</th>
            <th>To</th>
            <th>State</th>
            <th>When</th>
            <th><span class="sr">Decide</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="own in data.messages" :key="own.id">
            <td>
              <NuxtLink :to="`/visits/${own.visitId}/close#afterwards`">{{ own.client }}</NuxtLink>
            </td>
            <td>{{ CARRIES[own.carries] }}</td>
            <td>{{ own.sentTo }}</td>
            <td>
              <span class="tag" :class="TAG[own.status]">{{ STATUS[own.status] }}</span>
              <span v-if="own.trouble" class="soft"> {{ own.trouble }}</span>
            </td>
            <td class="figures">{{ whenWords(own) }}</td>
            <td>
              <span v-if="own.status === 'waiting'" class="row">
                <VBtn size="small" variant="outlined" :disabled="busy" @click="decide(own, 'again')"
                  >Send now</VBtn
                >
                <VBtn size="small" variant="text" :disabled="busy" @click="decide(own, 'stop')"
                  >Stop</VBtn
                >
              </span>
            </td>
          </tr>
        </tbody>
      </VTable>
      <p v-else class="soft">No messages yet. They begin when a record is sealed.</p>
    </section>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
</style>
