<script setup lang="ts">
import type { HeadCheck } from '#contracts/replies/practice'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A line to print and keep apart: whoever cuts the end off the chain is found out by it. */
const api = useApi()
const { trouble, busy, attempt } = useAttempt()
const made = ref('')
const kept = ref('')
const held = ref<HeadCheck | null>(null)
const make = () =>
  attempt(async () => {
    made.value = (await api<{ line: string }>('/api/practice/head')).line
  })
const check = () =>
  attempt(async () => {
    held.value = null
    held.value = await api<HeadCheck>('/api/practice/head', {
      method: 'POST',
      body: { line: kept.value },
    })
  })
const copy = () => attempt(() => navigator.clipboard.writeText(made.value))
</script>

<template>
  <div class="stack signed">
    <p class="soft">
      Print a signed line and keep it elsewhere. It shows later whether a record was removed.
    </p>
    <div class="row">
      <VBtn variant="outlined" :loading="busy" @click="make">Make a signed line</VBtn>
      <VBtn v-if="made" variant="text" @click="copy">Copy</VBtn>
    </div>
    <p v-if="made" class="figures made">{{ made }}</p>
    <form class="row" @submit.prevent="check">
      <VTextField v-model="kept" label="Signed line to check" density="compact" hide-details />
      <VBtn type="submit" variant="outlined" :disabled="!kept.trim()" :loading="busy"
        >Check it</VBtn
      >
    </form>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="held" role="status" class="tag" :class="held.holds ? 'good' : 'stop'">
      {{ held.text }}
    </p>
  </div>
</template>

<style scoped>
.signed {
  margin-top: 8px;
}
.made {
  word-break: break-all;
  font-size: 0.8125rem;
}
</style>
