<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { offerFile } from '~/composables/files'
import { useApi } from '~/composables/useApi'

/** Everybody of the house as one CSV file. */
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const asking = ref(false)
const LEAVES =
  'Names, birthdays, phones, medicines and notes of all clients leave the house in one CSV file. ' +
  'It is noted in the audit.'
const toFile = (password: string) =>
  attempt(async () => {
    const text = await api<string>('/api/clients/export', { method: 'POST', body: { password } })
    offerFile(text, 'clients.csv', 'text/csv')
    asking.value = false
  })
</script>

<template>
  <VBtn variant="outlined" @click="asking = true">Export</VBtn>
  <LazyPasswordDialog
    v-if="asking"
    title="Everybody, as a file?"
    :text="LEAVES"
    word="Make the file"
    :trouble="trouble"
    :busy="busy"
    @sure="toFile"
    @close="asking = false"
  />
</template>
