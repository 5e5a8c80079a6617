<script setup lang="ts">
/** A page that could not be shown: what happened, what is kept, what to do. */
const props = defineProps<{ error: { statusCode?: number; message?: string } }>()
const away = computed(() => (props.error.statusCode ?? 0) >= 500)
const words = computed(() =>
  away.value
    ? 'The practice server cannot answer just now. You are still signed in, and what you tapped is kept on this device.'
    : 'There is no such page.',
)
const again = () => reloadNuxtApp({ force: true })
const home = () => clearError({ redirect: '/' })
</script>

<template>
  <VApp>
    <DoorFrame>
      <div class="stack">
        <h1>{{ away ? 'One moment' : 'Not found' }}</h1>
        <p role="alert">{{ words }}</p>
        <VBtn v-if="away" color="primary" @click="again">Try again</VBtn>
        <VBtn v-else color="primary" @click="home">To the day</VBtn>
      </div>
    </DoorFrame>
  </VApp>
</template>
