<script setup lang="ts">
import { isoDayWords } from '~/composables/dates'

/** A call that is due, and whether it was made. */
defineProps<{
  /** ISO day. */ dueOn: string
  reason: string
  done: boolean
}>()
defineEmits<{ called: [] }>()
</script>

<template>
  <section class="panel noprint between">
    <p>
      <b>Follow-up due {{ isoDayWords(dueOn) }}</b
      ><br />{{ reason }}
    </p>
    <VBtn v-if="!done" variant="outlined" @click="$emit('called')">Called</VBtn>
    <span v-else class="tag good">called</span>
  </section>
</template>
