<script setup lang="ts">
import type { RestingOnFace } from '#core/treatment/order/atHand'
import { useRoom } from '~/stores/room'

/**
 * For whoever listens instead of looking: what comes due, what is late, that the treatment is stopped,
 * a connection lost and found. Each is said once, when it happens.
 */
const props = defineProps<{ resting: readonly RestingOnFace[]; stopping: boolean }>()
const room = useRoom()
const calm = ref('')
const urgent = ref('')
const named = (word: string) =>
  props.resting.flatMap((own) => (own.word === word ? [own.name] : [])).join(', ')
const due = computed(() => named('due'))
const late = computed(() => named('late'))
watch(due, (names) => {
  if (names) calm.value = `Due: ${names}.`
})
watch(late, (names) => {
  if (names) urgent.value = `Late: ${names}. It comes off now.`
})
watch(
  () => props.stopping,
  (is) => {
    urgent.value = is ? 'Stopped. What to do next is on the screen.' : ''
  },
)
const offline = computed(() => room.line === 'waiting')
watch(offline, (is) => {
  calm.value = is
    ? 'No connection. Every tap is kept on this device.'
    : 'Connected again. Taps are being sent.'
})
</script>

<template>
  <div class="sr">
    <p role="status">{{ calm }}</p>
    <p v-if="urgent" role="alert">{{ urgent }}</p>
  </div>
</template>
