<script setup lang="ts">
import type { FilesRead } from '#contracts/replies/visitFile'
import { sayProblem, useApi } from '~/composables/useApi'

/** What other practices recorded of this client, as their files tell it. */
const api = useApi()
const id = String(useRoute().params.id)
const { data, error } = await useAsyncData(`elsewhere-${id}`, () =>
  api<FilesRead>(`/api/people/${id}/imports`),
)
useHead({ title: () => `${data.value?.client ?? 'Client'} elsewhere · Oak Basin` })
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>From other practices</h1>
      <VBtn variant="outlined" :to="`/people/${id}`">To the client's file</VBtn>
    </div>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <template v-else-if="data">
      <p v-if="data.files.length === 0" class="panel">Nothing was imported for this client.</p>
      <FileSheet v-for="(file, at) in data.files" :key="at" :file="file" :zone="data.timeZone" />
    </template>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1100px;
}
</style>
