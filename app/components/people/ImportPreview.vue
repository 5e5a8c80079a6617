<script setup lang="ts">
import { IMPORT_FIELDS, type ImportField } from '#contracts/addressBook/columns'
import type { ReadRow } from '#contracts/addressBook/rows'
import type { Double } from '#contracts/replies/clientFile'
import { IMPORT_WORDS } from '~/composables/clientImport'
import { fieldDay } from '~/composables/dates'

/**
 * Every row of the file as it would come in: what is wrong with it, mended in place, and who is here
 * already or stands in the file twice.
 */
const props = defineProps<{
  rows: readonly ReadRow[]
  /** Lines of the file that the rows begin in. */ lines: readonly number[]
  doubles: readonly Double[]
  /** Rows that are the same person as an earlier one, which. */ twice: ReadonlyMap<number, number>
  left: ReadonlySet<number>
}>()
const emit = defineEmits<{
  leave: [row: number]
  mend: [row: number, field: ImportField, text: string]
}>()
const SHOWN = 100
const page = ref(1)
const pages = computed(() => Math.max(1, Math.ceil(props.rows.length / SHOWN)))
/** A row that was wrong once keeps its fields open: what is typed is not taken away half-way. */
const opened = reactive(new Set<number>())
const isField = (field: string): field is ImportField =>
  (IMPORT_FIELDS as readonly string[]).includes(field)
watchEffect(() => {
  props.rows.forEach((row, at) => {
    if (row.wrong.length > 0 || row.unread !== undefined) opened.add(at)
  })
})
watch(
  () => props.lines,
  () => {
    opened.clear()
    page.value = 1
  },
)
const shown = computed(() =>
  props.rows
    .map((row, at) => ({
      at,
      ...row,
      doubles: props.doubles.filter((own) => own.row === at),
      sameAs: props.twice.get(at),
      takes: row.wrong.length === 0 && !props.left.has(at),
      open: opened.has(at),
    }))
    .slice((page.value - 1) * SHOWN, page.value * SHOWN),
)
const COLUMNS = ['name', 'born', 'phone', 'email'] as const
const typed = (row: number, field: ImportField, { target }: Event) =>
  emit('mend', row, field, (target as HTMLInputElement).value)
const asRead = (text: string, field: ImportField) =>
  field === 'born' && text ? fieldDay(text) : text
const wrongWords = (row: ReadRow) =>
  row.wrong
    .map(({ field, why }) => `${isField(field) ? IMPORT_WORDS[field] : field}: ${why}`)
    .join('; ')
</script>

<template>
  <section class="panel" aria-label="What the file holds">
    <VTable v-scrolls density="compact" class="plain">
      <thead>
        <tr>
          <th>Import</th>
          <th>Line</th>
          <th v-for="field in COLUMNS" :key="field">{{ IMPORT_WORDS[field] }}</th>
          <th>Problems</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="row.at">
          <td>
            <VCheckboxBtn
              :model-value="row.takes"
              :disabled="row.wrong.length > 0"
              :aria-label="`Import ${row.fields.name || `line ${lines[row.at]}`}`"
              @update:model-value="emit('leave', row.at)"
            />
          </td>
          <td class="figures">{{ lines[row.at] }}</td>
          <td v-for="field in COLUMNS" :key="field" :class="field === 'name' ? 'name' : 'figures'">
            <VTextField
              v-if="row.open"
              :model-value="row.fields[field]"
              :aria-label="`${IMPORT_WORDS[field]}, line ${lines[row.at]}`"
              :placeholder="field === 'born' ? 'day.month.year' : ''"
              class="mend"
              density="compact"
              hide-details
              @change="(event: Event) => typed(row.at, field, event)"
            />
            <bdi v-else>{{ asRead(row.fields[field], field) }}</bdi>
          </td>
          <td>
            <span v-if="row.wrong.length" class="tag stop">{{ wrongWords(row) }}</span>
            <span v-if="row.unread !== undefined" class="tag watch">
              Birthday not read: “{{ row.unread }}” goes into the notes.
            </span>
            <span v-if="row.sameAs !== undefined" class="tag watch">
              same as line {{ lines[row.sameAs] }}
            </span>
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
.mend {
  min-width: 150px;
}
.figures {
  white-space: nowrap;
}
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
