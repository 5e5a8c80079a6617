<script setup lang="ts">
import { NIGHTS } from '#core/catalogue/home/nightRows'
import type { HomeRoutine } from '#core/home/routine'
import { isoDayWords } from '~/composables/dates'

/** The routine as it hangs beside a mirror: what to do, how much, in which order, on which evening. */
const props = defineProps<{
  routine: HomeRoutine
  client: string
  practice: { name: string; phone: string }
}>()
const special = computed(() =>
  (['retinoid', 'acid', 'scrub', 'clearingMask', 'waterMask'] as const).flatMap((id) => {
    const lines = props.routine.byNight[id]
    return lines ? [{ id, title: `Evening: ${NIGHTS[id].name}`, lines }] : []
  }),
)
const whose = computed(() =>
  [props.client, `${props.practice.name} ${props.practice.phone}`].filter(Boolean).join(' · '),
)
const calendarWords = computed(() => `Evenings until ${isoDayWords(props.routine.until)}`)
const usual = computed(() => (special.value.length > 0 ? 'Evening, on all other days' : 'Evening'))
</script>

<template>
  <article class="routine stack">
    <div>
      <h2>At home</h2>
      <p class="soft">{{ whose }}</p>
    </div>
    <div class="cols">
      <RoutineLines title="Morning" :lines="routine.morning" />
      <RoutineLines :title="usual" :lines="routine.evening" />
    </div>
    <section>
      <h3>{{ calendarWords }}</h3>
      <NightCalendar :nights="routine.nights" />
    </section>
    <div v-if="special.length" class="cols">
      <RoutineLines
        v-for="own in special"
        :key="own.id"
        :title="own.title"
        :lines="own.lines"
        :only="own.id"
      />
    </div>
    <ul v-if="routine.notes.length" class="notes">
      <li v-for="note in routine.notes" :key="note">{{ note }}</li>
    </ul>
  </article>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 22px;
  align-items: start;
}
.notes {
  margin: 0;
  padding-left: 1.2em;
}
@media (max-width: 700px) {
  .cols {
    grid-template-columns: 1fr;
  }
}
</style>
