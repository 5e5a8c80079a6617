<script setup lang="ts">
import type { ClientFile, FileImport, FileVisit, FileVisits } from '#contracts/replies/clientFile'
import { stopOf } from '#core/visit/stops'
import { dayAndClock, dayWords, isoDayWords } from '~/composables/dates'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** Next and past visits, and those that came from elsewhere. */
const props = defineProps<{ file: ClientFile }>()
const api = useApi()
const { trouble, attempt } = useAttempt()
const shown = ref<FileVisits>(props.file.visits)
watch(
  () => props.file.visits,
  (first) => {
    shown.value = first
  },
)
const turn = (page: number) =>
  attempt(async () => {
    shown.value = await api<FileVisits>(`/api/people/${props.file.client.id}/visits?page=${page}`)
  })
const stateOf = ({ status, fellAway, because }: FileVisit) => {
  if (status !== 'cancelled') return status
  const how = fellAway === 'noShow' ? 'no-show' : 'cancelled'
  return because ? `${how}: ${because}` : how
}
const next = computed(() => {
  const { next: visit, timeZone } = props.file
  if (!visit) return ''
  const when = dayAndClock(visit.startsAt, timeZone)
  return [when, visit.room, visit.staff, `${visit.minutes} min`].join(' · ')
})
const to = ({ id, status }: FileVisit) => `/visits/${id}/${stopOf(status)}`
/** A whole client's file is of no one day. */
const about = ({ startsAt, house }: FileImport) =>
  startsAt ? `${isoDayWords(startsAt.slice(0, 10))} · ${house}` : 'a whole client file'
const seal = ({ ours, holds }: FileImport) => {
  if (ours) return 'our own seal'
  return holds ? 'other practice’s seal, valid' : 'seal broken'
}
</script>

<template>
  <section class="panel">
    <h2>Next visit</h2>
    <p v-if="next">{{ next }}</p>
    <p v-else class="soft">None booked.</p>
    <h2 class="mt-4">Visits</h2>
    <VTable v-scrolls density="compact" class="list">
      <thead>
        <tr>
          <th>Day</th>
          <th>Done</th>
          <th>With</th>
          <th>State</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="visit in shown.visits" :key="visit.id">
          <td class="figures">
            <NuxtLink v-if="visit.status !== 'cancelled'" :to="to(visit)">{{
              dayWords(visit.startsAt, file.timeZone)
            }}</NuxtLink><template v-else>{{ dayWords(visit.startsAt, file.timeZone) }}</template>
          </td>
          <td>{{ visit.work ?? '–' }}</td>
          <td>{{ visit.staff.split(' ')[0] }}</td>
          <td>{{ stateOf(visit) }}</td>
        </tr>
        <tr v-if="shown.total === 0">
          <td colspan="4">No visit yet.</td>
        </tr>
      </tbody>
    </VTable>
    <VPagination
      v-if="shown.pages > 1"
      :model-value="shown.page"
      :length="shown.pages"
      :total-visible="5"
      aria-label="Pages of visits"
      @update:model-value="turn"
    />
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <template v-if="file.imports.length">
      <h2 class="mt-4">From other practices</h2>
      <p>
        <NuxtLink :to="`/people/${file.client.id}/elsewhere`">Read what they recorded</NuxtLink>
      </p>
      <ul class="plainlist">
        <li v-for="imported in file.imports" :key="imported.id">
          {{ about(imported) }} · <b>{{ seal(imported) }}</b>
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
