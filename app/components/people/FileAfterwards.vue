<script setup lang="ts">
import type { ClientFile } from '#contracts/replies/clientFile'
import { OUTCOMES } from '#core/catalogue/rules/grading'
import { dayAndClock, dayWords } from '~/composables/dates'
import { outcomeTag } from '~/composables/outcomeTag'

/** How it went at home after earlier visits: what the client answered, and what was done. */
const props = defineProps<{ file: ClientFile }>()
/** So many are in sight, the others unfold. */
const SHOWN = 4
const whole = ref(false)
const shown = computed(() =>
  whole.value ? props.file.afterwards : props.file.afterwards.slice(0, SHOWN),
)
</script>

<template>
  <div v-if="file.afterwards.length" class="panel">
    <h2>After earlier visits</h2>
    <ul class="plainlist">
      <li v-for="own in shown" :key="own.id">
        <span class="tag" :class="outcomeTag(own.outcome)">{{ OUTCOMES[own.outcome].word }}</span>
        <NuxtLink class="visit" :to="`/visits/${own.visitId}/close`"
          >visit of {{ dayWords(own.visitAt, file.timeZone) }}</NuxtLink
        >
        <span class="soft said"
          >{{ dayAndClock(own.at, file.timeZone) }}:
          {{ own.said.join(', ') || 'nothing to tell' }}</span
        >
        <span v-if="own.note" class="said">{{ own.note }}</span>
      </li>
    </ul>
    <VBtn
      v-if="file.afterwards.length > shown.length"
      variant="text"
      size="small"
      @click="whole = true"
      >All {{ file.afterwards.length }}</VBtn
    >
  </div>
</template>

<style scoped>
.said {
  display: block;
}
.visit {
  color: inherit;
  margin-left: 8px;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
</style>
