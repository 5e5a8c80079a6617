<script setup lang="ts">
import type { HoursPage } from '#contracts/replies/house'
import { useAttempt } from '~/composables/attempt'
import { isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** Days on which the house is shut or somebody is away: nothing is offered or booked then. */
const props = defineProps<{ people: readonly { id: string; name: string; active: boolean }[] }>()
const HOUSE = 'house'
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const { data: hours, refresh } = await useAsyncData('absences', () => api<HoursPage>('/api/hours'))
const form = reactive({ whose: HOUSE, firstDay: '', lastDay: '', word: '' })
const choices = computed(() => [
  { value: HOUSE, title: 'The practice is closed' },
  ...props.people
    .filter((own) => own.active)
    .map(({ id, name }) => ({ value: id, title: `${name} is away` })),
])
const nameOf = (id: string | null) =>
  id === null ? 'The practice' : (props.people.find((own) => own.id === id)?.name ?? 'somebody')
const days = (first: string, last: string) =>
  first === last ? isoDayWords(first) : `${isoDayWords(first)} to ${isoDayWords(last)}`
const ready = computed(() => form.firstDay !== '' && form.word.trim() !== '')
const add = () =>
  attempt(async () => {
    const { whose, firstDay, lastDay, word } = form
    const body = {
      id: crypto.randomUUID(),
      staffId: whose === HOUSE ? null : whose,
      firstDay,
      lastDay: lastDay || firstDay,
      word,
    }
    await api('/api/absences', { method: 'POST', body })
    Object.assign(form, { firstDay: '', lastDay: '', word: '' })
    await refresh()
  })
const drop = (id: string) =>
  attempt(async () => {
    await api(`/api/absences/${id}`, { method: 'DELETE' })
    await refresh()
  })
</script>

<template>
  <section class="panel stack">
    <h2>Closed days and absences</h2>
    <ul v-if="hours?.absences.length" class="plainlist stack">
      <li v-for="own in hours.absences" :key="own.id" class="between">
        <span>
          <b>{{ nameOf(own.staffId) }}</b>
          {{ ' ' }}<span class="soft">{{ days(own.firstDay, own.lastDay) }} · {{ own.word }}</span>
        </span>
        <VBtn variant="text" @click="drop(own.id)"
          >Remove<span class="sr"> {{ own.word }}</span></VBtn
        >
      </li>
    </ul>
    <form class="stack" novalidate @submit.prevent="add">
      <VSelect v-model="form.whose" :items="choices" label="Who" density="compact" hide-details />
      <div class="pair">
        <DayField v-model="form.firstDay" label="First day" density="compact" />
        <DayField v-model="form.lastDay" label="Last day" density="compact" />
      </div>
      <VTextField v-model="form.word" label="Reason" density="compact" />
      <VBtn type="submit" variant="outlined" :loading="busy" :disabled="!ready">Add absence</VBtn>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    </form>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
