<script setup lang="ts">
import type { AuditPage } from '#contracts/replies/audit'
import { useAttempt } from '~/composables/attempt'
import { AUDIT_ACTIONS } from '#contracts/auditActions'
import { dayAndClock } from '~/composables/dates'
import { offerFile } from '~/composables/files'
import { useApi } from '~/composables/useApi'

/** Who looked at, changed or was refused what: months back, narrowed, and as a file. */
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const KINDS = [
  { value: '', title: 'everything' },
  { value: 'session', title: 'signing in and out' },
  { value: 'client', title: 'clients' },
  { value: 'visit', title: 'visits' },
  { value: 'house', title: 'the practice' },
  { value: 'staff', title: 'people who work here' },
  { value: 'lot', title: 'bottles' },
]
const what = ref('')
const who = ref<string | null>(null)
const until = ref('')
const refused = ref(false)
const asked = (before?: number) => {
  const query = new URLSearchParams()
  if (what.value) query.set('what', what.value)
  if (who.value) query.set('staffId', who.value)
  if (until.value) query.set('until', until.value)
  if (refused.value) query.set('refused', 'yes')
  if (before) query.set('before', String(before))
  return `/api/audit?${query}`
}
const { data: page } = await useAsyncData('audit', () => api<AuditPage>(asked()), {
  watch: [what, who, until, refused],
})
const more = () =>
  attempt(async () => {
    if (!page.value?.next) return
    const next = await api<AuditPage>(asked(page.value.next))
    page.value = { ...next, lines: [...page.value.lines, ...next.lines] }
  })
const WORDS: Readonly<Record<string, string>> = AUDIT_ACTIONS
const wordsOf = (action: string) => WORDS[action] ?? action
function toFile() {
  const { lines = [], timeZone = 'UTC' } = page.value ?? {}
  const rows = lines.map(({ at, staff, action, allowed, client }) =>
    [
      new Date(at).toISOString(),
      dayAndClock(at, timeZone),
      staff ?? '',
      action,
      allowed ? 'done' : 'refused',
      client ?? '',
    ]
      .map((word) => `"${word.replaceAll('"', '""')}"`)
      .join(','),
  )
  const text = ['"at","day","who","what","allowed","client"', ...rows].join('\r\n')
  offerFile(text, 'audit.csv', 'text/csv')
}
</script>

<template>
  <section class="panel stack">
    <h2>Audit</h2>
    <div class="filter">
      <VSelect v-model="what" :items="KINDS" label="What" density="compact" hide-details />
      <VSelect
        v-model="who"
        :items="page?.people ?? []"
        item-title="name"
        item-value="id"
        label="Who"
        clearable
        density="compact"
        hide-details
      />
      <DayField v-model="until" whole label="Up to" density="compact" hide-details />
      <VCheckbox v-model="refused" label="Only refused" density="compact" hide-details />
    </div>
    <VTable v-scrolls density="compact" class="plain figures">
      <thead>
        <tr>
          <th>When</th>
          <th>Who</th>
          <th>What</th>
          <th>Client</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in page?.lines" :key="entry.id">
          <td>{{ dayAndClock(entry.at, page?.timeZone ?? 'UTC') }}</td>
          <td>{{ entry.staff }}</td>
          <td>
            {{ wordsOf(entry.action) }}
            <span v-if="!entry.allowed" class="tag stop">refused</span>
          </td>
          <td>
            <bdi>{{ entry.client }}</bdi>
          </td>
        </tr>
        <tr v-if="page?.lines.length === 0">
          <td colspan="4">No entries of that kind.</td>
        </tr>
      </tbody>
    </VTable>
    <div class="row">
      <VBtn v-if="page?.next" variant="outlined" :loading="busy" @click="more">Older entries</VBtn>
      <VBtn variant="text" @click="toFile">Export these entries</VBtn>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.filter {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
}
</style>
