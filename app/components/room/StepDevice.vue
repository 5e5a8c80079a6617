<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Dial } from '#core/treatment/order/atHand'
import type { DeviceSays } from '#core/treatment/step/onTheLine'
import { sayProblem } from '~/composables/useApi'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** The device itself, where it is on the line: the level that is, and what is wrong with it. */
const props = defineProps<{ step: PlanStep; dial: Dial | undefined }>()
const room = useRoom()
const visit = useVisit()
const says = ref<DeviceSays>()
const trouble = ref('')
const busy = ref(false)
/** What the dial wants of the device, where the dial is its level. */
const wanted = computed(() =>
  props.dial && props.dial.unit === says.value?.unit ? props.dial.value : undefined,
)
async function ask(more: { level?: number; run?: boolean } = {}) {
  busy.value = true
  trouble.value = ''
  const { key } = props.step
  try {
    says.value = (await visit.send('/device', 'POST', { key, ...more })) as DeviceSays
    const { level = null, fault } = says.value
    await room.tap({ kind: 'deviceSaid', key, level, fault })
  } catch (error) {
    // Nothing was said, so nothing is kept: the hand goes on.
    says.value = undefined
    trouble.value = sayProblem(error)
  } finally {
    busy.value = false
  }
}
watch(
  () => props.step.key,
  () => {
    says.value = undefined
    trouble.value = ''
  },
)
// What the dial is turned to the device is told, once it is on the line.
watch(wanted, (level, before) => {
  if (level !== undefined && before !== undefined) void ask({ level })
})
const stands = computed(() =>
  says.value?.level === undefined ? '' : `Device at ${says.value.level} ${says.value.unit}`,
)
const unlike = computed(
  () =>
    wanted.value !== undefined &&
    says.value?.level !== undefined &&
    says.value.level !== wanted.value,
)
</script>

<template>
  <div class="row" role="group" aria-label="Connected device">
    <RoomButton v-if="!says" :disabled="busy" @click="ask()">Ask the device</RoomButton>
    <template v-else>
      <b class="figures">{{ stands }}</b>
      <RoomButton v-if="unlike" :disabled="busy" @click="ask({ level: wanted })"
        >Set {{ wanted }}</RoomButton
      >
      <RoomButton v-if="says.running" :disabled="busy" @click="ask({ run: false })"
        >Stop it</RoomButton
      >
      <RoomButton v-else :disabled="busy || says.fault !== null" @click="ask({ run: true })"
        >Start it</RoomButton
      >
    </template>
    <span v-if="says?.fault || trouble" role="status" class="fault">{{
      says?.fault ?? trouble
    }}</span>
  </div>
</template>

<style scoped>
.fault {
  color: var(--glow);
  font-weight: 650;
}
</style>
