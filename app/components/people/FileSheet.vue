<script setup lang="ts">
import { howMany } from '#core/words'
import type { FileRead } from '#contracts/replies/visitFile'
import { isoDayWords } from '~/composables/dates'

/** What one file says: whose it is, and each visit in it. */
const props = defineProps<{ file: FileRead; zone: string }>()
const whose = computed(() => {
  const { name, born } = props.file.client
  return born ? `${name}, born ${isoDayWords(born)}` : name
})
const what = computed(() =>
  props.file.kind === 'visit'
    ? 'One visit'
    : `A whole client file. Sealed in it: ${howMany(props.file.visits.length, 'visit')}`,
)
</script>

<template>
  <section class="stack">
    <div>
      <h2>
        <bdi>{{ whose }}</bdi>
      </h2>
      <p class="soft">{{ what }}</p>
    </div>
    <VisitRead
      v-for="(visit, place) in file.visits"
      :key="visit.id"
      :visit="visit"
      :zone="zone"
      :open="place === 0"
    />
  </section>
</template>
