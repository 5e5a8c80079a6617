<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import type { PersonLine } from '#contracts/replies/people'
import { apartWords, findPeople } from '~/composables/people'
import { useApi } from '~/composables/useApi'

/** What joining two files does, and which other file it is. */
const props = defineProps<{ clientId: string; busy: boolean; trouble: string }>()
const other = defineModel<{ id: string; name: string } | null>('other', { required: true })
defineEmits<{ join: []; close: [] }>()
const api = useApi()
/** Opened for one file that is named already, or to look for it. */
const named = other.value !== null
const people = ref<PersonLine[]>([])
const choose = (id: string | null) => {
  other.value = people.value.find((own) => own.id === id) ?? null
}
const sought = ref('')
watchDebounced(
  sought,
  async (words) => {
    const found = await findPeople(api, words)
    people.value = found.filter(({ id }) => id !== props.clientId)
  },
  { debounce: 200, immediate: true },
)
</script>

<template>
  <VDialog
    :model-value="true"
    max-width="560"
    aria-label="Join two files"
    @update:model-value="$emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="$emit('join')">
        <h2>Join two files</h2>
        <VAutocomplete
          v-if="!named"
          v-model:search="sought"
          v-caret
          :model-value="other?.id"
          :items="people"
          item-title="name"
          item-value="id"
          no-filter
          label="The other file"
          :item-props="(own: PersonLine) => ({ subtitle: apartWords({ ...own, alike: true }) })"
          @update:model-value="choose"
        />
        <p v-if="other">
          Everything in the other file, of <bdi>{{ other.name }}</bdi>, moves into this one: visits,
          answers, signatures, pictures. Details of this file stay. What it does not say is taken
          from the other. Medicines and notes of both are kept.
        </p>
        <p class="soft">You can separate them again on this page.</p>
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row end">
          <VBtn variant="text" @click="$emit('close')">Close</VBtn>
          <VBtn type="submit" color="primary" :disabled="!other" :loading="busy">
            {{ other ? 'Join the files' : 'Choose the other file' }}
          </VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>
