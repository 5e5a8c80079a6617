<script setup lang="ts">
import { findPeoplesTags } from '~/composables/people'
import { useApi } from '~/composables/useApi'

/** The house's own words for a client: those in use are offered, new ones are typed. */
const tags = defineModel<string[]>({ required: true })
defineProps<{ errorMessages: readonly string[] }>()
const api = useApi()
const offered = ref<string[]>([])
onMounted(async () => {
  // Without them a tag is typed as well.
  offered.value = await findPeoplesTags(api).catch(() => [])
})
const plain = (typed: readonly string[]) => [
  ...new Set(typed.map((own) => own.trim().slice(0, 30)).filter(Boolean)),
]
</script>

<template>
  <VCombobox
    :model-value="tags"
    :items="offered"
    label="Tags"
    hint="Your own words: regular, gift card, comes with her sister"
    multiple
    chips
    closable-chips
    :error-messages="errorMessages"
    @update:model-value="(typed: string[]) => (tags = plain(typed))"
  />
</template>
