<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** A code that is called back: every bottle of it is stopped, and who had of it is listed. */
const emit = defineEmits<{ close: []; changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const code = ref('')
const reason = ref('')
const found = ref<{ bottles: number; clients: { id: string; name: string; day: string }[] } | null>(
  null,
)
const stop = () =>
  attempt(async () => {
    const body = { id: crypto.randomUUID(), code: code.value, reason: reason.value }
    found.value = await api('/api/recalls', { method: 'POST', body })
    emit('changed')
  })
const stopped = computed(() =>
  found.value?.bottles === 1
    ? '1 bottle is stopped. Put it aside.'
    : `${found.value?.bottles ?? 0} bottles are stopped. Put them aside.`,
)
</script>

<template>
  <VDialog
    :model-value="true"
    max-width="560"
    aria-label="Recall a lot"
    @update:model-value="emit('close')"
  >
    <VCard>
      <div class="stack pa-5">
        <h2>Recall a lot</h2>
        <form v-if="!found" class="stack" novalidate @submit.prevent="stop">
          <VTextField v-model="code" v-caret label="Code on the bottles" />
          <VTextField v-model="reason" label="Reason" />
          <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
          <VBtn
            type="submit"
            color="primary"
            :loading="busy"
            :disabled="!code.trim() || !reason.trim()"
          >
            Block this batch
          </VBtn>
        </form>
        <div v-else role="status" class="stack">
          <p>{{ stopped }}</p>
          <p v-if="found.clients.length === 0">Not used on any client.</p>
          <template v-else>
            <b>Used on these clients: call them.</b>
            <ul class="plainlist">
              <li v-for="client in found.clients" :key="client.id">
                <NuxtLink :to="`/people/${client.id}`"
                  ><bdi>{{ client.name }}</bdi></NuxtLink
                >{{ ' ' }}<span class="soft">last {{ isoDayWords(client.day) }}</span>
              </li>
            </ul>
          </template>
        </div>
        <VBtn variant="text" @click="emit('close')">Close</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>
