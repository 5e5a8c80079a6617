<script setup lang="ts">
import type { DayVisit } from '#contracts/day'
import { openStop, STOP_NAMES } from '#core/visit/stops'
import { clock } from '~/composables/dates'

/** One visit in its room's column: who, when, with whom, and how far it is. */
const props = defineProps<{ visit: DayVisit; zone: string; clash: boolean }>()
const emit = defineEmits<{ move: [] }>()
const SHOWN = ['ask', 'read', 'plan', 'treat', 'close'] as const
const to = computed(() => {
  const { id, status, stops } = props.visit
  return `/visits/${id}/${openStop(status, stops)}`
})
const head = computed(() => `${clock(props.visit.startsAt, props.zone)} ${props.visit.client}`)
const tail = computed(() => ` · ${props.visit.staff.split(' ')[0]} · ${props.visit.minutes} min`)
const word = (ready: boolean) => (ready ? ' ready' : ' open')
</script>

<template>
  <article class="visit" :class="[visit.status, { clash }]">
    <NuxtLink :to="to" class="open"
      ><b>{{ head }}</b
      ><span class="soft">{{ tail }}</span></NuxtLink
    >
    <ol class="stops" aria-label="Stops">
      <li v-for="stop in SHOWN" :key="stop" :class="{ done: visit.stops[stop] }">
        <i aria-hidden="true" />{{ STOP_NAMES[stop]
        }}<span class="sr">{{ word(visit.stops[stop]) }}</span>
      </li>
    </ol>
    <VBtn
      v-if="visit.status === 'booked'"
      class="shiftbtn"
      size="small"
      height="30"
      variant="text"
      @click="emit('move')"
      >Move</VBtn
    >
  </article>
</template>

<style scoped>
.visit {
  position: absolute;
  right: 4px;
  background: var(--basin-haze);
  border-left: 5px solid var(--basin);
  border-radius: 8px;
  padding: 2px 10px;
  overflow: hidden;
  line-height: 1.25;
}
.visit.sealed {
  background: var(--linen-shade);
  border-left-color: var(--oak-light);
}
.visit.treating {
  background: var(--amber-haze);
  border-left-color: var(--amber);
}
.visit.clash {
  border-left-color: var(--berry);
  box-shadow: inset 0 0 0 1.5px var(--berry);
}
.open {
  color: var(--ink);
  text-decoration: none;
  display: block;
}
.open:hover b {
  text-decoration: underline;
}
.stops {
  display: flex;
  gap: 10px;
  list-style: none;
  padding: 0;
  margin: 1px 0 0;
  font-size: 0.8125rem;
  line-height: 1.2;
}
.stops li {
  display: flex;
  gap: 4px;
  align-items: center;
  color: var(--ink-soft);
}
.stops i {
  width: 13px;
  height: 9px;
  border-radius: 50%;
  border: 1.5px solid var(--oak-grain);
}
.stops .done {
  color: var(--ink);
}
.stops .done i {
  background: var(--oak-grain);
}
.shiftbtn {
  position: absolute;
  right: 2px;
  top: 2px;
  min-width: 0;
}
</style>
