<script setup lang="ts">
import { TECHNIQUES, TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { isMain, shortName } from '#core/catalogue/techniques/traits'
import { daysAgo } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/** How the consultation begins: what was done last time, and how it was taken. */
const visit = useVisit()
const said = computed(() => {
  const bundle = visit.bundle
  const last = [...(bundle?.past ?? [])].sort((one, other) => (one.day < other.day ? 1 : -1))[0]
  if (!bundle || !last) return null
  const done = TECHNIQUE_IDS.filter((id) => last.techniques?.includes(id) && isMain(id))
    .filter((id) => TECHNIQUES[id].families.length > 0)
    .map((id) => shortName(id).toLowerCase())
  const reacted = bundle.reactions
    .filter((reaction) => reaction.day >= last.day)
    .map((reaction) => `${reaction.what} with ${reaction.productName}`)
  const badly = last.taken === 'badly'
  const taken = badly ? 'it was too much' : last.taken === 'well' ? 'taken well' : ''
  return {
    ago: daysAgo(Date.parse(`${last.day}T12:00:00Z`), bundle.visit.startsAt),
    badly: badly || reacted.length > 0,
    text: [done.join(', ') || 'a gentle facial', taken, ...reacted].filter(Boolean).join('; '),
  }
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
