<script setup lang="ts">
import type { DayVisit } from '#contracts/replies/day'
import { CONCERN_NAMES } from '#core/catalogue/kinds'
import type { DeviceKey } from '#core/catalogue/techniques/ownShapes'
import type { StripKind } from '#core/timing/dayStrip'
import { openStop, STOP_NAMES } from '#core/visit/stops'
import { clock, fieldDay } from '~/composables/dates'
import type { VisitChange } from '~/composables/day/changing'
import { useSession } from '~/stores/session'
import { STRIP_COLOURS } from '~/theme/colours'

/** A visit as a folded band: its plan on the left edge, who and what for, how full the bowls get. */
const props = defineProps<{
  visit: DayVisit
  zone: string
  clash: boolean
  /** Devices of it that are wanted twice at once. */
  twice: readonly DeviceKey[]
}>()
const emit = defineEmits<{ move: []; change: [change: VisitChange] }>()
const session = useSession()
const NuxtLink = defineNuxtLink({})
const stop = computed(() => openStop(props.visit.status, props.visit.stops))
const to = computed(() => `/visits/${props.visit.id}/${stop.value}`)
const when = computed(
  () => `${clock(props.visit.startsAt, props.zone)} · ${props.visit.minutes} min`,
)
const first = computed(() => props.visit.staff.split(' ')[0])
const late = computed(() =>
  props.visit.lateMinutes > 0 ? `${props.visit.lateMinutes} min late` : '',
)
/** Why it is booked anyway goes before what it is for. */
const forWhat = computed(
  () => props.visit.allowedBecause ?? props.visit.aims.map((aim) => CONCERN_NAMES[aim]).join(', '),
)
const next = computed(() => {
  const { status, setAt } = props.visit
  if (status === 'sealed') return 'sealed'
  if (setAt !== null && props.visit.stops.ask && props.visit.stops.read)
    return `set up from ${clock(setAt, props.zone)}`
  return `next: ${STOP_NAMES[stop.value].toLowerCase()}`
})
const PART_WORDS: Record<StripKind, string> = {
  hands: 'hands',
  works: 'takes off',
  device: 'device',
  rests: 'rests',
}
const parts = computed(() =>
  props.visit.strip.map(({ kind, minutes }, at) => ({
    at,
    title: `${PART_WORDS[kind]}, ${minutes} min`,
    style: { flexGrow: minutes, background: STRIP_COLOURS[kind] },
  })),
)
const held = computed(() => props.visit.status === 'booked')
function take(event: DragEvent) {
  event.dataTransfer?.setData('text/plain', props.visit.id)
  if (event.dataTransfer) event.dataTransfer.effectAllowed = 'move'
}
</script>

<template>
  <article class="visit" :class="[visit.status, { clash }]" :draggable="held" @dragstart="take">
    <div v-if="parts.length" class="strip" role="img" aria-label="Plan summary">
      <i v-for="part in parts" :key="part.at" :style="part.style" :title="part.title" />
    </div>
    <div class="words">
      <div class="line top">
        <component :is="session.atDesk ? 'span' : NuxtLink" :to="to" class="open"
          ><b
            ><bdi>{{ visit.client }}</bdi></b
          ><span v-if="visit.born" class="soft"> born {{ fieldDay(visit.born) }}</span></component
        >
        <span v-if="!session.atDesk || late" class="state"
          ><b v-if="late">{{ late }}</b> {{ session.atDesk ? '' : next }}</span
        >
      </div>
      <div class="line">
        <span class="when"
          >{{ when }}<span class="who"> · {{ first }}</span></span
        >
        <span class="acts">
          <MiniBasins v-if="visit.basins" :basins="visit.basins" />
          <VisitChanges
            v-if="held"
            :visit="visit"
            :zone="zone"
            @move="emit('move')"
            @change="(change) => emit('change', change)"
          />
        </span>
      </div>
      <em>{{ forWhat }}</em>
    </div>
    <DevicePegs :devices="visit.devices" :twice="twice" />
  </article>
</template>

<style scoped>
.visit {
  position: absolute;
  right: 10px;
  background: var(--paper);
  border: 1.5px solid var(--line);
  display: flex;
  gap: 8px;
  padding: 3px 8px 3px 6px;
  line-height: 1.2;
}
.visit::before,
.visit::after {
  content: '';
  position: absolute;
  top: 0;
  border: 5px solid transparent;
  border-top-color: var(--linen-deep);
}
.visit::before {
  left: 0;
  border-left-color: var(--linen-deep);
}
.visit::after {
  right: 0;
  border-right-color: var(--linen-deep);
}
.visit.sealed {
  background: var(--linen-shade);
}
.visit.treating {
  background: var(--amber-mist);
  border-color: var(--amber);
}
.visit.clash {
  border-color: var(--berry);
}
.strip {
  width: 12px;
  flex: none;
  display: flex;
  flex-direction: column;
}
/* A line that has no room is left out whole: half a line is read as nothing. */
.words {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  display: flex;
  flex-flow: column wrap;
  align-content: flex-start;
}
.words > * {
  width: 100%;
  flex: none;
}
/* As high before its button is there as after. */
.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 0 8px;
  min-height: 18px;
}
/* Whose hour it is, is read at every width: the name takes the lines that it needs. */
.open {
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
}
.open:hover b {
  text-decoration: underline;
}
.when,
em {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.when,
.state {
  font-size: 0.8125rem;
  color: var(--ink-soft);
}
.state b {
  color: var(--berry);
}
.acts {
  display: flex;
  align-items: center;
  gap: 8px;
}
em {
  display: block;
  min-height: 18px;
  font-family: var(--serif);
  font-size: 0.875rem;
  color: var(--basin);
}
@container cloth (max-width: 420px) {
  .acts :deep(.word) {
    display: none;
  }
}
@container cloth (max-width: 300px) {
  .acts > svg {
    display: none;
  }
}
@container cloth (max-width: 180px) {
  .visit {
    right: 3px;
    margin-left: -7px;
    gap: 4px;
    padding-inline: 4px 2px;
  }
  .top,
  .state {
    display: block;
  }
  .when {
    font-size: 0.75rem;
  }
  .who,
  .strip,
  em {
    display: none;
  }
}
@media print {
  .acts {
    display: none;
  }
}
@media (forced-colors: active) {
  .visit::before,
  .visit::after {
    display: none;
  }
}
</style>
