<script setup lang="ts">
import { mdiDotsVertical } from '@mdi/js'
import type { DayVisit } from '#contracts/replies/day'
import { isDue } from '#core/visit/status'
import { clock } from '~/composables/dates'
import type { VisitChange } from '~/composables/day/changing'

/** A visit that does not go as booked: it is moved, begins late, or falls away with how and why. */
const props = defineProps<{ visit: DayVisit; zone: string }>()
const emit = defineEmits<{ move: []; change: [change: VisitChange] }>()
const open = ref(false)
const because = ref('')
const late = ref('10')
/** Looked at when the menu opens: the page may have stood there for hours. */
const due = computed(() => open.value && isDue(props.visit.startsAt, Date.now()))
function change(own: VisitChange) {
  open.value = false
  emit('change', own)
}
function cameLate(lateMinutes: number) {
  const { client, lateMinutes: before } = props.visit
  const words = lateMinutes > 0 ? `${client} is ${lateMinutes} min late.` : `${client} is on time.`
  change({ body: { lateMinutes }, words, back: { lateMinutes: before } })
}
function fall(as: 'calledOff' | 'noShow') {
  const { client } = props.visit
  const words = as === 'noShow' ? `${client} did not come.` : `The visit of ${client} is cancelled.`
  change({ body: { fellAway: { as, because: because.value } }, words, back: { fellAway: null } })
}
function move() {
  open.value = false
  emit('move')
}
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: opens }">
      <VBtn
        v-bind="opens"
        class="change"
        variant="text"
        size="small"
        height="26"
        :prepend-icon="mdiDotsVertical"
        :aria-label="`Change ${visit.client}`"
      >
        <span class="word">Change</span>
      </VBtn>
    </template>
    <VCard v-if="open" class="pa-4 stack panel-of" role="dialog" :aria-label="visit.client">
      <b
        ><bdi>{{ visit.client }}</bdi></b
      >
      <VBtn variant="outlined" @click="move">Move</VBtn>
      <div class="row late">
        <VTextField
          v-model="late"
          label="Came late, minutes"
          inputmode="numeric"
          density="compact"
          hide-details
        />
        <VBtn variant="outlined" @click="cameLate(Number(late))">Came late</VBtn>
        <VBtn v-if="visit.lateMinutes > 0" variant="text" @click="cameLate(0)">On time</VBtn>
      </div>
      <VTextField
        v-model="because"
        label="Reason, if known"
        density="compact"
        maxlength="200"
        hide-details
      />
      <div class="row">
        <VBtn variant="outlined" color="error" @click="fall('calledOff')">Cancel the visit</VBtn>
        <VBtn variant="outlined" color="error" :disabled="!due" @click="fall('noShow')">
          No-show
        </VBtn>
      </div>
      <p v-if="!due" class="soft">
        A no-show can be entered from {{ clock(visit.startsAt, zone) }}.
      </p>
    </VCard>
  </VMenu>
</template>

<style scoped>
.change {
  height: 26px;
  min-width: 26px;
  padding: 0 4px;
  margin-block: -4px;
}
.panel-of {
  width: 330px;
  max-width: 92vw;
}
.late {
  flex-wrap: nowrap;
}
p {
  font-size: 0.875rem;
}
</style>
