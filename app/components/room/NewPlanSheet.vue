<script setup lang="ts">
import { howMany } from '#core/words'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { StepChange } from '#core/planning/steps/edit'
import { useRoom } from '~/stores/room'

/** What a new plan of the rest would change, before it is taken. */
const room = useRoom()
const SHOWN = 8
const changes = computed(() => room.offer?.changes ?? [])
const title = computed(() => {
  if (room.thinking) return 'Planning what is left…'
  const count = changes.value.length
  if (count === 0) return 'Nothing needs to change'
  return howMany(count, 'step changes')
})
const words = (change: StepChange) =>
  change.change === 'changed' ? change.text : `${change.change}, ${change.text}`
const leave = () => {
  room.offer = null
}
</script>

<template>
  <RoomSheet label="New plan" :title="title" @close="leave">
    <template v-if="!room.thinking">
      <ul class="plainlist changes">
        <li v-for="change in changes.slice(0, SHOWN)" :key="change.key + change.change">
          <b>{{ techniqueOf(change).name }}</b> {{ words(change) }}
        </li>
      </ul>
      <div class="row">
        <RoomButton v-if="changes.length" tone="go" data-next @click="room.take()">
          Take the new plan
        </RoomButton>
        <RoomButton :data-next="changes.length ? undefined : ''" @click="leave">{{
          changes.length ? 'Keep the old one' : 'Go on'
        }}</RoomButton>
      </div>
    </template>
  </RoomSheet>
</template>

<style scoped>
.changes li {
  padding: 3px 0;
  font-size: 1.1rem;
}
</style>
