<script setup lang="ts">
import { allRows } from '#core/rows/rows'

/** Every row the house computes with, searched as one types. */
const search = ref('')
const ALL = allRows()
const groups = computed(() => {
  const word = search.value.toLowerCase().trim()
  const hits = ALL.filter((r) =>
    `${r.group} ${r.title} ${r.sentence} ${r.reason} ${r.id}`.toLowerCase().includes(word),
  )
  return [...new Set(hits.map((h) => h.group))].map((g) => ({
    name: g,
    rows: hits.filter((h) => h.group === g),
  }))
})
</script>

<template>
  <div>
    <VTextField v-model="search" class="search" label="Search techniques and rules" type="search" />
    <section v-for="g in groups" :key="g.name" class="panel mb-4">
      <h2>
        {{ g.name }} <span class="soft n figures">{{ g.rows.length }}</span>
      </h2>
      <VTable density="compact" class="plain">
        <tbody>
          <tr v-for="r in g.rows" :key="r.id">
            <td class="t">
              <b>{{ r.title }}</b>
            </td>
            <td>
              {{ r.sentence }} <span v-if="r.reason" class="why">{{ r.reason }}</span>
            </td>
            <td class="soft s">{{ r.source }}<br />{{ r.id }}</td>
          </tr>
        </tbody>
      </VTable>
    </section>
    <p v-if="!groups.length">No row holds that word.</p>
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
