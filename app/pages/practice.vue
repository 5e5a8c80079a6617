<script setup lang="ts">
import type { PracticePage } from '#contracts/practice'
import { dayAndClock } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Practice · Oak Basin' })
const api = useApi()
const { data, error, refresh } = await useAsyncData('practice', () =>
  api<PracticePage>('/api/practice'),
)
/** What an audit line says, in words. */
const AUDIT_WORDS: Readonly<Record<string, string>> = {
  'client.add': 'added the client',
  'client.look': 'looked at the file',
  'client.edit': 'changed the file',
  'client.export': 'took the file out',
  'client.import': 'took a visit in',
  'client.erase': 'erased the client',
  'visit.look': 'opened the visit',
  'visit.book': 'booked a visit',
  'visit.print': 'printed',
  'visit.export': 'exported the visit',
  'visit.follow-up': 'followed up',
  'visit.link': 'made a link for the client',
  'visit.set-aside': 'set a row aside',
  'consent.withdraw': 'took back a consent',
  read: 'opened the visit',
  write: 'changed the visit',
  seal: 'sealed',
  countersign: 'countersigned',
  export: 'exported the visit',
}
</script>

<template>
  <div class="practice">
    <h1>Practice</h1>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <div v-if="data" class="cols">
      <div class="stack">
        <section class="panel">
          <h2>{{ data.house.name }}</h2>
          <p>
            {{ data.house.address }}<br />{{ data.house.phone }} · emergency
            {{ data.house.emergency }}
          </p>
          <p class="soft">
            {{ data.house.timeZone }} · {{ data.house.cleaningMinutes }} min cleaning after a visit
            · records kept {{ data.house.retentionYears }} years
          </p>
          <h2 class="mt-4">The chain of seals</h2>
          <ChainCheck />
        </section>
        <ScopePanel
          :people="data.people"
          :allows="data.house.allows"
          @changed="refresh"
        /><HouseRules :rules="data.rules" :zone="data.house.timeZone" @changed="refresh" />
      </div>
      <section class="panel">
        <h2>Audit</h2>
        <VTable density="compact" class="plain figures">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th>Client</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="entry in data.audit" :key="entry.id">
              <td>{{ dayAndClock(entry.at, data.house.timeZone) }}</td>
              <td>{{ entry.staff }}</td>
              <td>
                {{ AUDIT_WORDS[entry.action] ?? entry.action }}
                <span v-if="!entry.allowed" class="tag stop">refused</span>
              </td>
              <td>{{ entry.client }}</td>
            </tr>
          </tbody>
        </VTable>
      </section>
    </div>
  </div>
</template>

<style scoped>
.practice {
  padding: 20px 28px;
}
.cols {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  align-items: start;
  margin-top: 10px;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
