<script setup lang="ts">
/** How many minutes are left to plan for. */
const props = defineProps<{ left: number }>()
const emit = defineEmits<{ plan: [minutes: number]; close: [] }>()
const minutes = ref(props.left)
const less = () => {
  minutes.value = Math.max(1, minutes.value - 1)
}
const more = () => {
  minutes.value += 1
}
</script>

<template>
  <RoomSheet
    label="Fit to the time"
    :title="`Fit to the ${minutes} minutes left`"
    closable
    @close="emit('close')"
  >
    <div class="row">
      <RoomButton square aria-label="Less" @click="less">−</RoomButton>
      <b class="serif figures minutes">{{ minutes }}</b>
      <RoomButton square aria-label="More" @click="more">+</RoomButton>
      <RoomButton tone="go" @click="emit('plan', minutes)">Plan what is left</RoomButton>
    </div>
  </RoomSheet>
</template>

<style scoped>
.minutes {
  font-size: 2.4rem;
  min-width: 80px;
  text-align: center;
}
</style>
