<script setup lang="ts">
import { mdiCalendarMonthOutline } from '@mdi/js'

/** The month at a glance, under a button. */
const props = defineProps<{ day: string }>()
const open = ref(false)
watch(
  () => props.day,
  () => (open.value = false),
)
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: opener }">
      <VBtn
        v-bind="opener"
        variant="text"
        size="small"
        :icon="mdiCalendarMonthOutline"
        aria-label="The month"
      />
    </template>
    <MonthCard v-if="open" :day="day" />
  </VMenu>
</template>
