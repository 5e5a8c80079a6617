<script setup lang="ts">
import type { Double } from '#contracts/replies/clientFile'
import type { ReadRow } from '#contracts/readClients'

/** Every row of the file as it would come in: what is wrong with it, and who is here already. */
const props = defineProps<{
  rows: readonly ReadRow[]
  doubles: readonly Double[]
  left: ReadonlySet<number>
}>()
const emit = defineEmits<{ leave: [row: number] }>()
const SHOWN = 100
const page = ref(1)
const pages = computed(() => Math.max(1, Math.ceil(props.rows.length / SHOWN)))
const shown = computed(() =>
  props.rows
    .map((row, at) => ({
      at,
      ...row,
      doubles: props.doubles.filter((own) => own.row === at),
      takes: row.wrong.length === 0 && !props.left.has(at),
    }))
    .slice((page.value - 1) * SHOWN, page.value * SHOWN),
)
const wrongWords = (row: ReadRow) =>
  row.wrong.map(({ field, why }) => `${field}: ${why}`).join('; ')
</script>

<template>
  <section class="panel" aria-label="What the file holds">
    <VTable density="compact" class="plain">
      <thead>
        <tr>
          <th>Import</th>
          <th>Name</th>
          <th>Born</th>
          <th>Phone</th>
          <th>Problems</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="row.at">
          <td>
            <VCheckboxBtn
              :model-value="row.takes"
              :disabled="row.wrong.length > 0"
              :aria-label="`Import ${row.fields.name}`"
              @update:model-value="emit('leave', row.at)"
            />
          </td>
          <td class="name">
            <bdi>{{ row.fields.name }}</bdi>
          </td>
          <td class="figures">{{ row.fields.born }}</td>
          <td class="figures">{{ row.fields.phone }}</td>
          <td>
            <span v-if="row.wrong.length" class="tag stop">{{ wrongWords(row) }}</span>
            <span v-for="own in row.doubles" :key="own.id" class="tag watch">
              here already by {{ own.why }}:
              <NuxtLink :to="`/people/${own.id}`">
                <bdi>{{ own.name }}</bdi>
              </NuxtLink>
            </span>
          </td>
        </tr>
      </tbody>
    </VTable>
    <VPagination v-if="pages > 1" v-model="page" :length="pages" :total-visible="7" />
  </section>
</template>

<style scoped>
.name {
  max-width: 260px;
  overflow-wrap: anywhere;
}
.tag a {
  color: inherit;
}
.tag {
  white-space: normal;
}
</style>
