<script setup lang="ts">
import type { HandedIn } from '#contracts/replies/visitFile'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A file of another practice, read before anybody decides to import it. */
useHead({ title: 'Read a file · Oak Basin' })
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const read = ref<HandedIn | null>(null)
async function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const chosen = field.files?.[0]
  field.value = ''
  if (!chosen) return
  read.value = null
  await attempt(async () => {
    const body = { text: await chosen.text() }
    read.value = await api<HandedIn>('/api/people/files/read', { method: 'POST', body })
  })
}
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Read a file</h1>
      <VBtn variant="outlined" to="/people/import">To the import</VBtn>
    </div>
    <p class="soft">
      A visit or a whole client, exported by a practice. It is shown and its seal is checked;
      nothing is kept. To keep a visit, import it in the client's file.
    </p>
    <label class="panel choose">
      <b>Choose a file</b>
      <input type="file" accept="application/json,.json" :disabled="busy" @change="choose" />
    </label>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <FileSheet v-if="read" :file="read.file" :zone="read.timeZone" />
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1100px;
}
.choose {
  display: flex;
  gap: 14px;
  align-items: center;
}
.tag {
  white-space: normal;
}
</style>
