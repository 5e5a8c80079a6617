<script setup lang="ts">
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { useRoom } from '~/stores/room'

/** The step at hand does not find the skin as it needs it: said, with what puts it right. */
const room = useRoom()
const busy = ref(false)
const words = computed(() => {
  const own = room.unready?.words
  return own ? `${own.charAt(0).toUpperCase()}${own.slice(1)}.` : ''
})
/** What is done twice, on other zones, is said once. */
const names = computed(() => [
  ...new Set(
    (room.unready?.first ?? []).map(({ technique }) => TECHNIQUES[technique].name.toLowerCase()),
  ),
])
async function putRight() {
  if (!room.unready || !room.current) return
  busy.value = true
  await room.putRight(room.current.key, room.unready)
  busy.value = false
}
</script>

<template>
  <div v-if="words" class="row unready" role="status">
    <b>{{ words }}</b>
    <RoomButton v-if="names.length" :disabled="busy" @click="putRight"
      >First: {{ names.join(', then ') }}</RoomButton
    >
  </div>
</template>

<style scoped>
.unready {
  color: var(--glow);
  gap: 6px 14px;
}
</style>
