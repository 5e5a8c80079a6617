<script setup lang="ts">
import { turned, type Dial } from '#core/treatment/atHand'

/** The device's own dial: what it stands at, one notch down or up. */
const props = defineProps<{ dial: Dial }>()
const emit = defineEmits<{ dial: [setting: number] }>()
const turn = (notches: number) => emit('dial', turned(props.dial, notches))
</script>

<template>
  <p class="row">
    <span>
      {{ dial.label }} <b class="figures">{{ dial.value }} {{ dial.unit }}</b>
    </span>
    <RoomButton square :aria-label="`${dial.label} down`" @click="turn(-1)">−</RoomButton>
    <RoomButton square :aria-label="`${dial.label} up`" @click="turn(1)">+</RoomButton>
  </p>
</template>
