<script setup lang="ts">
import { DEVICE_SHORT } from '#core/catalogue/kinds'
import type { DeviceKey } from '#core/catalogue/techniques/ownShapes'

/** The devices that a visit wants, pegged to the side of its card. */
const props = defineProps<{
  devices: readonly { kind: DeviceKey; name: string }[]
  /** Those that are wanted twice at once. */
  twice: readonly DeviceKey[]
}>()
const pegs = computed(() =>
  [...new Map(props.devices.map((device) => [device.kind, device.name]))].map(([kind, name]) => ({
    kind,
    name: kind in DEVICE_SHORT ? DEVICE_SHORT[kind as keyof typeof DEVICE_SHORT] : name,
    twice: props.twice.includes(kind),
  })),
)
</script>

<template>
  <ul v-if="pegs.length" class="pegs" aria-label="Devices">
    <li v-for="peg in pegs" :key="peg.kind" :class="{ twice: peg.twice }">
      {{ peg.name }}<span v-if="peg.twice" class="sr"> wanted twice</span>
    </li>
  </ul>
</template>

<style scoped>
.pegs {
  list-style: none;
  padding: 0;
  margin: 0;
  position: absolute;
  left: calc(100% + 2px);
  top: 8px;
  z-index: 1;
}
.pegs li {
  background: var(--oak);
  color: var(--chalk);
  font-size: 0.75rem;
  line-height: 1.3;
  padding: 0 7px 0 10px;
  margin-bottom: 2px;
  white-space: nowrap;
  border-radius: 2px 7px 7px 2px;
  clip-path: polygon(8px 0, 100% 0, 100% 100%, 8px 100%, 0 50%);
}
.pegs .twice {
  background: var(--berry);
}
@container cloth (max-width: 180px) {
  /* A narrow room has no side to peg to: what is wanted twice is said on the card's edge. */
  .pegs {
    inset: auto auto calc(100% - 6px) 4px;
  }
  .pegs li:not(.twice) {
    display: none;
  }
}
</style>
