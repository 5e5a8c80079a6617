<script setup lang="ts">
/** A sheet with one row of answers; a tap is the answer. */
defineProps<{
  label: string
  title: string
  choices: readonly { value: string; word: string }[]
}>()
const emit = defineEmits<{ choose: [value: string]; close: [] }>()
</script>

<template>
  <RoomSheet :label="label" :title="title" closable @close="emit('close')">
    <div class="row">
      <RoomButton
        v-for="choice in choices"
        :key="choice.value"
        @click="emit('choose', choice.value)"
      >
        {{ choice.word }}
      </RoomButton>
    </div>
  </RoomSheet>
</template>
