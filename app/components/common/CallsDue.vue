<script setup lang="ts">
import type { CallDue } from '#contracts/replies/day'
import { useAttempt } from '~/composables/attempt'
import { isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** Calls that are due: each stands until it was made. */
defineProps<{ calls: readonly CallDue[] }>()
const emit = defineEmits<{ made: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const made = (visitId: string) =>
  attempt(async () => {
    await api(`/api/visits/${visitId}/follow-up`, { method: 'POST' })
    emit('made')
  })
</script>

<template>
  <section v-if="calls.length" aria-label="Calls due">
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <ul class="plainlist calls">
      <li v-for="call in calls" :key="call.visitId" class="between">
        <span>
          <b
            >Call <NuxtLink :to="`/people/${call.clientId}`">{{ call.client }}</NuxtLink></b
          >
          {{ ' ' }}<span class="soft">due {{ isoDayWords(call.dueOn) }} · {{ call.reason }}</span>
        </span>
        <VBtn variant="outlined" :loading="busy" @click="made(call.visitId)">Called</VBtn>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.calls li {
  border-left: 4px solid var(--amber);
  background: var(--paper);
  padding: 4px 10px;
  margin: 4px 0;
  align-items: center;
}
.calls a {
  color: var(--ink);
}
</style>
