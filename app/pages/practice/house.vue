<script setup lang="ts">
import type { HousePage } from '#contracts/replies/house'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Set up the practice · Oak Basin' })
const api = useApi()
const { data, error, refresh } = await useAsyncData('house', () => api<HousePage>('/api/house'))
/** What is still to be done before the first visit can be planned, and what makes it better. */
const steps = computed(() => {
  if (!data.value) return []
  const { house, devices, people, products } = data.value
  return [
    { done: products > 0, text: 'something on the shelf: without it nothing can be planned' },
    { done: house.address !== '' && house.phone !== '', text: 'address and phone, for the cards' },
    { done: devices.length > 0, text: 'devices, if there are any' },
    { done: people.length > 1, text: 'colleagues, if there are any' },
  ].filter(({ done }) => !done)
})
</script>

<template>
  <div class="furnish">
    <div class="between">
      <h1>Set up the practice</h1>
      <VBtn variant="outlined" to="/practice">To the Practice page</VBtn>
    </div>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <template v-if="data">
      <section v-if="steps.length" class="panel steps" aria-label="Still to do">
        <b>Still to do, in any order:</b>
        <ul>
          <li v-for="step in steps" :key="step.text">{{ step.text }}</li>
        </ul>
      </section>
      <p v-else>All is there. Add clients under <NuxtLink to="/people">People</NuxtLink>.</p>
      <div class="cols">
        <div class="stack">
          <StarterShelf :products="data.products" @changed="refresh" />
          <HoursPanel :people="data.people" />
          <RoomsPanel :rooms="data.rooms" @changed="refresh" />
          <DevicesPanel
            :devices="data.devices"
            :rooms="data.rooms"
            :own-kinds="data.ownKinds"
            @changed="refresh"
          />
        </div>
        <div class="stack">
          <HouseForm :house="data.house" @changed="refresh" />
          <AbsencesPanel :people="data.people" />
          <StaffPanel :people="data.people" :zone="data.house.timeZone" @changed="refresh" />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.furnish > p a {
  color: var(--ink);
}
.furnish {
  padding: 20px 28px;
}
.steps {
  margin-top: 10px;
}
.steps ul {
  margin: 6px 0 0 20px;
}
.cols {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  align-items: start;
  margin-top: 14px;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
