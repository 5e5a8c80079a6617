<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A visit that does not go as booked: it falls away, with how and why, or begins late. */
const props = defineProps<{ visit: { id: string; version: number; client: string } }>()
const emit = defineEmits<{ saved: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const because = ref('')
const late = ref('10')
const asking = ref(false)
const patch = (body: object) =>
  attempt(async () => {
    const { version } = props.visit
    await api(`/api/visits/${props.visit.id}`, { method: 'PATCH', body: { version, ...body } })
    emit('saved')
  })
const fall = (as: 'calledOff' | 'noShow') => patch({ fellAway: { as, because: because.value } })
</script>

<template>
  <section class="stack" aria-label="Late, cancelled, no-show">
    <div class="row">
      <VTextField
        v-model="late"
        class="late"
        label="Came late, minutes"
        inputmode="numeric"
        density="compact"
        hide-details
      />
      <VBtn variant="outlined" :loading="busy" @click="patch({ lateMinutes: Number(late) })">
        Came late
      </VBtn>
      <VBtn v-if="!asking" variant="text" color="error" @click="asking = true">
        Cancel this visit
      </VBtn>
    </div>
    <template v-if="asking">
      <VTextField v-model="because" label="Reason, if known" density="compact" v-caret />
      <div class="row">
        <VBtn variant="outlined" color="error" :loading="busy" @click="fall('calledOff')">
          Cancelled
        </VBtn>
        <VBtn variant="outlined" color="error" :loading="busy" @click="fall('noShow')">
          No-show: {{ visit.client }}
        </VBtn>
      </div>
    </template>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.late {
  max-width: 190px;
}
</style>
