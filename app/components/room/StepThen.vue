<script setup lang="ts">
import { howMany } from '#core/words'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { nameRegions } from '#core/face/regions'
import { SIDE_NAMES } from '#core/face/sides'
import type { RegionId } from '#core/face/zones'
import { minutesAhead } from '#core/treatment/order/pace'
import { clock } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** What comes next, how the hour runs, and whether the rest still fits. */
const room = useRoom()
defineProps<{
  left: number
  short: number
  /** Zones on which redness is to be looked at again. */
  looks: readonly RegionId[]
  zone: string
}>()
const sent = computed(() => {
  if (room.line === 'sent') return 'saved, all taps sent'
  if (room.line === 'sending') return 'sending'
  const count = room.unsent.length
  return `${howMany(count, 'tap')} kept here, sent when the server answers`
})
const emit = defineEmits<{ fit: [] }>()
const next = computed(() => {
  if (!room.next) return 'finished'
  const { half } = room.next
  const name = techniqueOf(room.next).name.toLowerCase()
  return half ? `${name}, ${SIDE_NAMES[half]} half` : name
})
const pace = computed(() => {
  const ahead = room.state ? minutesAhead(room.state, room.steps, room.now) : 0
  if (ahead === 0) return 'on time'
  return ahead > 0 ? `${ahead} min ahead` : `${-ahead} min behind`
})
</script>

<template>
  <div class="then">
    <p class="dim">
      Then <b>{{ next }}</b>
      <template v-if="room.next"> · {{ room.next.minutes }} min</template>
    </p>
    <p class="dim">
      Running <b>{{ pace }}</b>
    </p>
    <p class="dim">
      <b class="figures">{{ clock(room.now, zone) }}</b> · {{ sent }}
      <template v-if="room.others.length"> · also here: {{ room.others.join('; ') }}</template>
    </p>
    <p v-if="looks.length" class="short" role="status">
      <b>Look again: {{ nameRegions(looks) }}</b>
    </p>
    <p v-if="short > 0" class="short" role="status">
      <b>{{ short }} min more planned than left</b>
      <RoomButton class="fit" @click="emit('fit')">Fit to the {{ left }} min left</RoomButton>
    </p>
  </div>
</template>

<style scoped>
.then {
  display: flex;
  align-items: center;
  gap: 4px 26px;
  flex-wrap: wrap;
}
.dim {
  color: var(--candle-dim);
}
.dim b {
  color: var(--candle);
}
.short {
  color: var(--glow);
}
.fit {
  white-space: nowrap;
  margin-left: 12px;
}
</style>
