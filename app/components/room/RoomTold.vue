<script setup lang="ts">
import { liesBarred, type LiesBarred } from '#core/treatment/stop/told'
import { useRoom } from '~/stores/room'

/**
 * What was told while the visit runs and speaks against what lies on the face, or against the visit:
 * said on whatever screen is open.
 */
const props = defineProps<{
  /** The step at hand is on screen and says its own. */
  stepShown: boolean
}>()
const room = useRoom()
const lies = computed(() =>
  room.state && room.input ? liesBarred(room.state, room.everyStep, room.input) : [],
)
const prevented = computed(() => room.input?.verdict.prevented[0]?.sentence ?? '')
const alone = computed(() => !props.stepShown && lies.value.length === 0 && prevented.value !== '')
const takeOff = ({ key, why }: LiesBarred) =>
  room.tap({ kind: 'offNow', key, because: why.slice(0, 500) })
</script>

<template>
  <div v-if="lies.length > 0 || alone" class="told" role="alert">
    <p v-for="one in lies" :key="one.key" class="row">
      <b>{{ one.name }} comes off now. {{ one.why }}</b>
      <RoomButton tone="warn" @click="takeOff(one)">Take it off now</RoomButton>
    </p>
    <p v-if="alone">
      <b>Stop here. {{ prevented }}</b>
    </p>
  </div>
</template>

<style scoped>
.told {
  padding: 12px 32px 0;
  color: var(--warn-text);
  font-size: 1.125rem;
}
.row {
  gap: 6px 14px;
}
</style>
