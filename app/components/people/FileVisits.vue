<script setup lang="ts">
import type { ClientFile, FileImport, FileVisit } from '#contracts/clientFile'
import { stopOf } from '#core/visit/stops'
import { dayAndClock, dayWords } from '~/composables/dates'

/** Next and past visits, and those that came from elsewhere. */
const props = defineProps<{ file: ClientFile }>()
const next = computed(() => {
  const { next: visit, timeZone } = props.file
  if (!visit) return ''
  const when = dayAndClock(visit.startsAt, timeZone)
  return [when, visit.room, visit.staff, `${visit.minutes} min`].join(' · ')
})
const to = ({ id, status }: FileVisit) => `/visits/${id}/${stopOf(status)}`
const seal = ({ ours, holds }: FileImport) => {
  if (ours) return 'our own seal'
  return holds ? 'foreign seal, holds' : 'seal broken'
}
</script>

<template>
  <section class="panel">
    <h2>Next visit</h2>
    <p v-if="next">{{ next }}</p>
    <p v-else class="soft">None booked. Add one from Day.</p>
    <h2 class="mt-4">Visits</h2>
    <VTable density="compact" class="list">
      <thead>
        <tr>
          <th>Day</th>
          <th>Done</th>
          <th>With</th>
          <th>State</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="visit in file.visits" :key="visit.id">
          <td class="figures">
            <NuxtLink :to="to(visit)">{{ dayWords(visit.startsAt, file.timeZone) }}</NuxtLink>
          </td>
          <td>{{ visit.work ?? '–' }}</td>
          <td>{{ visit.staff.split(' ')[0] }}</td>
          <td>{{ visit.status }}</td>
        </tr>
        <tr v-if="file.visits.length === 0">
          <td colspan="4">No visit yet.</td>
        </tr>
      </tbody>
    </VTable>
    <template v-if="file.imports.length">
      <h2 class="mt-4">From elsewhere</h2>
      <ul class="plainlist">
        <li v-for="imported in file.imports" :key="imported.id">
          {{ imported.startsAt.slice(0, 10) }} · {{ imported.house }} · <b>{{ seal(imported) }}</b>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.list {
  background: transparent;
}
a {
  color: var(--ink);
}
</style>
