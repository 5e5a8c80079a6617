<script setup lang="ts">
import type { HoursPage } from '#contracts/replies/house'
import { hoursText, readHoursText } from '#core/timing/hoursText'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** When the house is open and when each person works, as it stands on a door; breaks by a comma. */
const props = defineProps<{ people: readonly { id: string; name: string; active: boolean }[] }>()
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
/** Monday to Friday. */
const WORKING_MOST = 5
const HOUSE = 'house'
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const { data: hours, refresh } = await useAsyncData('hours', () => api<HoursPage>('/api/hours'))
const whose = ref(HOUSE)
const choices = computed(() => [
  { value: HOUSE, title: 'The practice' },
  ...props.people.filter((own) => own.active).map(({ id, name }) => ({ value: id, title: name })),
])
const staffId = computed(() => (whose.value === HOUSE ? null : whose.value))
const texts = ref<string[]>([])
const kept = ref(false)
const told = computed(() =>
  (hours.value?.openings ?? []).filter((own) => own.staffId === staffId.value),
)
watch(
  told,
  (own) => {
    texts.value = WEEKDAYS.map((_, at) =>
      hoursText(
        own
          .filter(({ weekday }) => weekday === at + 1)
          .map(({ fromMinute, toMinute }) => ({ from: fromMinute, to: toMinute })),
      ),
    )
  },
  { immediate: true },
)
const read = computed(() => texts.value.map(readHoursText))
const wrong = computed(() => read.value.some((own) => own === undefined))
const none = computed(() => texts.value.every((text) => text.trim() === ''))
const means = computed(() => {
  if (!none.value) return 'A day left empty is closed.'
  return staffId.value === null
    ? 'No hours set: bookings are possible at any time.'
    : 'No hours set: works whenever the practice is open.'
})
const save = () =>
  attempt(async () => {
    const openings = read.value.flatMap((stretches, at) =>
      (stretches ?? []).map(({ from, to }) => ({
        weekday: at + 1,
        fromMinute: from,
        toMinute: to,
      })),
    )
    await api('/api/openings', { method: 'PUT', body: { staffId: staffId.value, openings } })
    await refresh()
    kept.value = true
  })
/** Monday's hours for all of the working week. */
const likeMonday = () => {
  texts.value = texts.value.map((text, at) => (at < WORKING_MOST ? (texts.value[0] ?? '') : text))
}
</script>

<template>
  <section class="panel stack">
    <h2>Hours</h2>
    <VSelect v-model="whose" :items="choices" label="Hours of" density="compact" hide-details />
    <form class="stack" novalidate @submit.prevent="save">
      <div class="week">
        <VTextField
          v-for="(day, at) in WEEKDAYS"
          :key="day"
          v-model="texts[at]"
          :label="day"
          :placeholder="at < WORKING_MOST ? '9–13, 14–18' : 'shut'"
          density="compact"
          :error-messages="read[at] ? [] : ['like 9–13, 14:30–18']"
          @update:model-value="kept = false"
        />
      </div>
      <p class="soft">{{ means }}</p>
      <div class="row">
        <VBtn type="submit" variant="outlined" :loading="busy" :disabled="wrong">Save hours</VBtn>
        <VBtn variant="text" :disabled="!texts[0]" @click="likeMonday"
          >Copy Monday to Tuesday–Friday</VBtn
        >
        <span v-if="kept" class="tag good" role="status">saved</span>
      </div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    </form>
  </section>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 4px 10px;
}
</style>
