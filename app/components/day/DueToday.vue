<script setup lang="ts">
import type { DayPage, FallenVisit } from '#contracts/replies/day'
import { clock } from '~/composables/dates'

/** What the day asks for beside its visits: calls, patches, what is wanted twice, what ends. */
const props = defineProps<{ page: DayPage }>()
const emit = defineEmits<{
  made: []
  back: [visit: { id: string; version: number; back: { fellAway: null } }]
}>()
const at = (moment: number) => clock(moment, props.page.timeZone)
const named = (id: string) => {
  const visit = props.page.visits.find((one) => one.id === id)
  return visit ? `${at(visit.startsAt)} ${visit.client}` : ''
}
const conflicts = computed(() =>
  props.page.conflicts.map(({ kind, a: one, b: other, sentence }) => ({
    key: kind + one + other,
    text: `${sentence} ${named(one)} · ${named(other)}`,
  })),
)
const nothing = computed(() =>
  [props.page.calls, props.page.dues, conflicts.value, props.page.away].every(
    (list) => list.length === 0,
  ),
)
const FELL_AWAY = { calledOff: 'cancelled', noShow: 'did not come' }
const fellAway = ({ as, because }: FallenVisit) => FELL_AWAY[as] + (because ? `: ${because}` : '')
</script>

<template>
  <aside class="due" aria-label="Due">
    <slot />
    <h2>Due</h2>
    <CallsDue :calls="page.calls" @made="emit('made')" />
    <ul v-if="conflicts.length" class="plainlist" aria-label="Double booked">
      <li v-for="conflict in conflicts" :key="conflict.key" class="stop">{{ conflict.text }}</li>
    </ul>
    <ul class="plainlist">
      <li v-for="own in page.dues" :key="own.title + own.text" :class="own.kind">
        <NuxtLink v-if="own.to" :to="own.to">{{ own.title }}</NuxtLink>
        <b v-else>{{ own.title }}</b>
        <br /><span class="soft">{{ own.text }}</span>
      </li>
      <li v-for="own in page.away" :key="own.staff" class="watch">
        <b>{{ own.staff }} is away</b><br /><span class="soft">{{ own.word }}</span>
      </li>
    </ul>
    <p v-if="nothing" class="soft">Nothing is due.</p>
    <template v-if="page.fallen.length">
      <h2>Cancelled and no-shows</h2>
      <ul class="plainlist" aria-label="Cancelled and no-shows">
        <li v-for="own in page.fallen" :key="own.id" class="watch row fell">
          <span
            ><b
              >{{ at(own.startsAt) }} <bdi>{{ own.client }}</bdi></b
            ><br /><span class="soft">{{ fellAway(own) }}</span></span
          >
          <VBtn
            variant="text"
            size="small"
            :aria-label="`Book ${own.client} again`"
            @click="emit('back', { ...own, back: { fellAway: null } })"
            >Book again</VBtn
          >
        </li>
      </ul>
    </template>
  </aside>
</template>

<style scoped>
.due {
  background: var(--paper);
  border-left: 1.5px solid var(--line);
  padding: 16px 18px;
}
.due h2 {
  margin-top: 10px;
}
.due li {
  border-left: 4px solid var(--basin);
  padding: 0 0 2px 12px;
  margin: 12px 0;
  line-height: 1.35;
}
.due .stop {
  border-left-color: var(--berry);
}
.due .watch {
  border-left-color: var(--amber);
}
.fell {
  flex-wrap: nowrap;
  justify-content: space-between;
}
.due a {
  color: var(--ink);
  font-weight: 650;
}
</style>
