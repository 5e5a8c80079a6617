<script setup lang="ts">
import type { PracticePage } from '#contracts/replies/practice'
import { daysAgo } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Practice · Oak Basin' })
const api = useApi()
const { data, error, refresh } = await useAsyncData('practice', () =>
  api<PracticePage>('/api/practice'),
)
</script>

<template>
  <div class="practice">
    <div class="between">
      <h1>Practice</h1>
      <span class="row">
        <VBtn variant="outlined" to="/practice/messages">Messages</VBtn>
        <VBtn variant="outlined" to="/practice/money">Costs and prices</VBtn>
        <VBtn variant="outlined" to="/practice/house">Set up the practice</VBtn>
      </span>
    </div>
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
          <h2 class="mt-4">Backup</h2>
          <p :class="{ 'tag watch': !data.lastBackup }">
            {{ data.lastBackup ? `Last ${daysAgo(data.lastBackup)}.` : 'None was made yet.' }}
            <span class="soft">At the terminal: ./house backup, ./house passphrase</span>
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
      <AuditPanel />
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
