<script setup lang="ts">
import type { ExportAs } from '#contracts/clientImport'
import { useAttempt } from '~/composables/attempt'
import { offerFile } from '~/composables/files'
import { useApi } from '~/composables/useApi'

/** Everybody on file, as a table or as cards for an address book. */
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const asking = ref(false)
const as = ref<ExportAs>('csv')
const KINDS: Record<ExportAs, { file: string; media: string; text: string }> = {
  csv: {
    file: 'clients.csv',
    media: 'text/csv',
    text:
      'Names, birthdays, phones, medicines and notes of all clients are written to one CSV file. ' +
      'The audit records it. Numbers that begin with + or - have a tab in front, so that a ' +
      'spreadsheet shows them as they are.',
  },
  vcards: {
    file: 'clients.vcf',
    media: 'text/vcard',
    text:
      'Names, birthdays, phones, e-mail and work of all clients are written to one vCard file; ' +
      'nothing about health. The audit records it.',
  },
}
const toFile = (password: string) =>
  attempt(async () => {
    const { file, media } = KINDS[as.value]
    const body = { password, as: as.value }
    offerFile(await api<string>('/api/clients/export', { method: 'POST', body }), file, media)
    asking.value = false
  })
</script>

<template>
  <VBtn variant="outlined" @click="asking = true">Export</VBtn>
  <LazyPasswordDialog
    v-if="asking"
    title="Export all clients?"
    :text="KINDS[as].text"
    word="Export"
    :trouble="trouble"
    :busy="busy"
    @sure="toFile"
    @close="asking = false"
  >
    <VRadioGroup v-model="as" inline hide-details label="File">
      <VRadio value="csv" label="Table (CSV)" />
      <VRadio value="vcards" label="Address cards (vCard)" />
    </VRadioGroup>
  </LazyPasswordDialog>
</template>
