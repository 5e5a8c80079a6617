<script setup lang="ts">
import { howMany } from '#core/words'
import { mdiMapMarkerPlusOutline, mdiPrinterOutline } from '@mdi/js'
import type { DayPage } from '#contracts/replies/day'
import type { WeekDay } from '#contracts/replies/house'
import { fullDay, noonOf } from '~/composables/dates'

/** Which day it is and how full, the week it is of, and what is begun from here. */
const props = defineProps<{
  page: DayPage | null | undefined
  week: readonly WeekDay[] | null
  /** Visits that are shown. */
  visits: number
}>()
defineEmits<{ drop: [visitId: string, day: string]; add: [] }>()
const heading = computed(() => (props.page ? fullDay(noonOf(props.page.day), 'UTC') : 'Day'))
const counted = computed(() => {
  const count = howMany(props.visits, 'visit')
  const shut = props.page?.shut ? `, shut: ${props.page.shut}` : ''
  return `${count}, ${props.page?.cleaningMinutes ?? 0} min cleaning after each${shut}`
})
const print = () => window.print()
</script>

<template>
  <header class="head">
    <div>
      <h1>{{ heading }}</h1>
      <p class="soft">{{ counted }}</p>
    </div>
    <WeekBowls
      v-if="week && page"
      class="noprint"
      :week="week"
      :day="page.day"
      @drop="(id, day) => $emit('drop', id, day)"
    />
    <div class="row noprint">
      <VBtn
        variant="outlined"
        :icon="mdiPrinterOutline"
        size="small"
        aria-label="Print the day"
        @click="print"
      />
      <VBtn color="primary" :prepend-icon="mdiMapMarkerPlusOutline" @click="$emit('add')">
        Add a visit
      </VBtn>
    </div>
  </header>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 8px 20px;
  padding: 16px 20px 8px 28px;
}
/* One line, whatever font is there already: nothing under it moves. */
h1 {
  white-space: nowrap;
}
@media (max-width: 1200px) {
  h1 {
    font-size: 1.45rem;
  }
  .head {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .head > :nth-child(2) {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
@media (max-width: 700px) {
  h1 {
    white-space: normal;
  }
}
</style>
