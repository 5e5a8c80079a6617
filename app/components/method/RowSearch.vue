<script setup lang="ts">
import { allRows } from '#core/rows/rows'

/** Every row the product computes with, searched as one types. */
const search = ref('')
const ALL = allRows()
const groups = computed(() => {
  const word = search.value.toLowerCase().trim()
  const hits = ALL.filter((row) =>
    `${row.group} ${row.title} ${row.sentence} ${row.reason} ${row.id}`
      .toLowerCase()
      .includes(word),
  )
  return [...new Set(hits.map((hit) => hit.group))].map((group) => ({
    name: group,
    rows: hits.filter((hit) => hit.group === group),
  }))
})
</script>

<template>
  <div>
    <VTextField v-model="search" class="search" label="Search techniques and rules" type="search" />
    <section v-for="group in groups" :key="group.name" class="panel mb-4">
      <h2>
        {{ group.name }} <span class="soft n figures">{{ group.rows.length }}</span>
      </h2>
      <VTable v-scrolls density="compact" class="plain">
        <tbody>
          <tr v-for="row in group.rows" :key="row.id">
            <td class="t">
              <b>{{ row.title }}</b>
            </td>
            <td>
              {{ row.sentence }} <span v-if="row.reason" class="why">{{ row.reason }}</span>
            </td>
            <td class="soft s">{{ row.source }}<br />{{ row.id }}</td>
          </tr>
        </tbody>
      </VTable>
    </section>
    <p v-if="!groups.length">Nothing found.</p>
  </div>
</template>

<style scoped>
.search {
  max-width: 420px;
  margin: 10px 0 14px;
}
.t {
  width: 190px;
}
.s {
  width: 220px;
  font-size: 0.8125rem;
}
.n {
  font-family: var(--sans);
  font-size: 0.9rem;
}
</style>
