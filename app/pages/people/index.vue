<script setup lang="ts">
import { mdiMagnify, mdiPlus } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { isoDayWords } from '~/composables/dates'
import { peoplePage } from '~/composables/people'
import { sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

useHead({ title: 'People · Oak Basin' })
const api = useApi()
const session = useSession()
const search = ref('')
const sought = refDebounced(search, 200)
const page = ref(1)
watch(sought, () => {
  page.value = 1
})
const { data: list, error } = await useAsyncData(
  'people',
  () => peoplePage(api, sought.value ?? '', page.value),
  { watch: [sought, page] },
)
const adding = ref(false)
const counted = computed(() => {
  const total = list.value?.total ?? 0
  return `${total} ${total === 1 ? 'person' : 'people'}${sought.value ? ' found' : ''}`
})
const nobody = computed(() =>
  sought.value ? 'No client matches.' : 'No clients yet. Add your first client.',
)
</script>

<template>
  <div class="people">
    <header class="between">
      <h1>People</h1>
      <div class="row">
        <template v-if="session.me?.role === 'owner'">
          <VBtn variant="outlined" to="/people/import">Import</VBtn>
          <ExportClients />
        </template>
        <VBtn color="primary" :prepend-icon="mdiPlus" @click="adding = true">Add a client</VBtn>
      </div>
    </header>
    <div class="row search">
      <VTextField
        v-model="search"
        label="Search by name or work"
        :prepend-inner-icon="mdiMagnify"
        type="search"
        maxlength="60"
        hide-details
      />
      <span class="soft figures" role="status">{{ counted }}</span>
    </div>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <div class="panel">
      <VTable density="comfortable" class="list">
        <thead>
          <tr>
            <th>Name</th>
            <th>Work</th>
            <th>Last visit</th>
            <th>Next visit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="person in list?.people" :key="person.id">
            <td>
              <NuxtLink :to="`/people/${person.id}`">
                <b
                  ><bdi>{{ person.name }}</bdi></b
                >
              </NuxtLink>
            </td>
            <td>{{ person.work }}</td>
            <td class="figures">{{ person.last ? isoDayWords(person.last) : 'none yet' }}</td>
            <td class="figures">{{ person.next ? isoDayWords(person.next) : '–' }}</td>
          </tr>
          <tr v-if="list?.total === 0">
            <td colspan="4">{{ nobody }}</td>
          </tr>
        </tbody>
      </VTable>
      <VPagination
        v-if="list && list.pages > 1"
        v-model="page"
        :length="list.pages"
        :total-visible="7"
        aria-label="Pages of people"
      />
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
  margin: 8px 0 14px;
}
.search > :first-child {
  flex: 0 1 420px;
}
.list {
  background: transparent;
}
a {
  color: var(--ink);
  overflow-wrap: anywhere;
}
</style>
