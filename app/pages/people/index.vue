<script setup lang="ts">
import { howMany } from '#core/words'
import { mdiArrowDown, mdiArrowUp, mdiMagnify, mdiPlus } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { isoDayWords } from '~/composables/dates'
import { apartWords, peoplePage, type Order } from '~/composables/people'
import { sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

useHead({ title: 'People · Oak Basin' })
const api = useApi()
const session = useSession()
const search = ref('')
const sought = refDebounced(search, 200)
const page = ref(1)
const order = ref<Order>({ by: 'name', down: false })
/** Only those who carry this tag of the house's own. */
const tag = ref<string | null>(null)
watch([sought, order, tag], () => {
  page.value = 1
})
const COLUMNS = [
  { by: 'name', title: 'Name' },
  { by: 'work', title: 'Work' },
  { by: 'last', title: 'Last visit' },
  { by: 'next', title: 'Next visit' },
] as const
/** Once for this column, once more for the other way round. */
function sortBy(by: Order['by']) {
  order.value = { by, down: order.value.by === by && !order.value.down }
}
const sorted = (by: Order['by']) => {
  if (order.value.by !== by) return 'none'
  return order.value.down ? 'descending' : 'ascending'
}
const {
  data: list,
  error,
  refresh,
} = await useAsyncData(
  'people',
  () => peoplePage(api, sought.value ?? '', page.value, order.value, tag.value ?? ''),
  { watch: [sought, page, order, tag] },
)
const adding = ref(false)
/** The desk sees names only; whoever treats goes on in the file. */
async function added(id: string) {
  adding.value = false
  if (!session.atDesk) await navigateTo(`/people/${id}`)
  else search.value = ''
  if (session.atDesk) await refresh()
}
const counted = computed(() => {
  const total = list.value?.total ?? 0
  return `${howMany(total, 'person')}${sought.value || tag.value ? ' found' : ''}`
})
const nobody = computed(() =>
  sought.value || tag.value ? 'No client matches.' : 'No clients yet. Add your first client.',
)
</script>

<template>
  <div class="people">
    <header class="between">
      <h1>People</h1>
      <div class="row">
        <template v-if="session.me?.role === 'owner'">
          <VBtn variant="outlined" to="/people/doubles">Likely doubles</VBtn>
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
    <TagFilter v-if="list?.tags.length" v-model="tag" :tags="list.tags" />
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <div class="panel">
      <VTable v-scrolls density="comfortable" class="list">
        <thead>
          <tr>
            <th v-for="{ by, title } in COLUMNS" :key="by" :aria-sort="sorted(by)">
              <button type="button" class="sort" @click="sortBy(by)">
                {{ title
                }}<VIcon
                  v-if="order.by === by"
                  :icon="order.down ? mdiArrowDown : mdiArrowUp"
                  size="16"
                />
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="person in list?.people" :key="person.id">
            <td>
              <bdi v-if="session.atDesk">{{ person.name }}</bdi>
              <NuxtLink v-else :to="`/people/${person.id}`">
                <b
                  ><bdi>{{ person.name }}</bdi></b
                >
              </NuxtLink>
              <span v-if="person.alike" class="soft apart">{{ apartWords(person) }}</span>
              <span v-for="own in person.tags" :key="own" class="tag calm apart">{{ own }}</span>
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
    <LazyClientForm v-if="adding" :start-name="search" @close="adding = false" @saved="added" />
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
.sort {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.apart {
  margin-left: 10px;
}
a {
  color: var(--ink);
  overflow-wrap: anywhere;
}
</style>
