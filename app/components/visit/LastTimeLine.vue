<script setup lang="ts">
import { lastVisitWords } from '#core/visit/lastTime'
import { daysAgo, noonOf } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/** How the consultation begins: what was done last time, and how it was taken. */
const visit = useVisit()
const said = computed(() => {
  const { bundle } = visit
  const last = bundle && lastVisitWords(bundle.past, bundle.reactions)
  return last && { ...last, ago: daysAgo(noonOf(last.day), bundle.visit.at) }
})
</script>

<template>
  <p v-if="said" class="tag last" :class="said.badly ? 'watch' : 'calm'">
    Last time, {{ said.ago }}: {{ said.text }}.
  </p>
</template>

<style scoped>
.last {
  white-space: normal;
}
</style>
