<script setup lang="ts">
import { mdiMagnify, mdiPlus } from '@mdi/js'
import { useApi } from '~/composables/useApi'
import { dayWords } from '~/composables/dates'

interface Row {
  id: string
  name: string
  work: string | null
  born: string | null
  last: string | null
  next: string | null
}
useHead({ title: 'People · Oak Basin' })
const api = useApi()
const search = ref('')
const { data: people } = await useAsyncData('people', () => api<Row[]>('/api/people'))
const adding = ref(false)
const shown = computed(() =>
  (people.value ?? []).filter((p) =>
    `${p.name} ${p.work ?? ''}`.toLowerCase().includes((search.value ?? '').trim().toLowerCase()),
  ),
)
const words = (day: string) => dayWords(Date.parse(`${day}T12:00:00Z`), 'UTC')
</script>

<template>
  <div class="people">
    <header class="between">
      <h1>People</h1>
      <VBtn color="primary" :prepend-icon="mdiPlus" @click="adding = true">Add a client</VBtn>
    </header>
    <VTextField
      v-model="search"
      class="search"
      label="Search by name or work"
      :prepend-inner-icon="mdiMagnify"
      type="search"
    />
    <div class="panel">
      <table class="plain">
        <thead>
          <tr>
            <th>Name</th>
            <th>Work</th>
            <th>Last visit</th>
            <th>Next visit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in shown" :key="p.id">
            <td>
              <NuxtLink :to="`/people/${p.id}`"
                ><b>{{ p.name }}</b></NuxtLink
              >
            </td>
            <td>{{ p.work }}</td>
            <td class="figures">{{ p.last ? words(p.last) : 'none yet' }}</td>
            <td class="figures">{{ p.next ? words(p.next) : '–' }}</td>
          </tr>
          <tr v-if="shown.length === 0">
            <td colspan="4">Nobody by that name.</td>
          </tr>
        </tbody>
      </table>
    </div>
    <LazyClientForm
      v-if="adding"
      :start-name="search"
      @close="adding = false"
      @saved="(id: string) => navigateTo(`/people/${id}`)"
    />
  </div>
</template>

<style scoped>
.people {
  padding: 20px 28px;
}
.search {
  max-width: 420px;
  margin: 8px 0 14px;
}
a {
  color: var(--ink);
}
</style>
