<script setup lang="ts">
import { useSelfLock } from '~/composables/selfLock'
import { useSession } from '~/stores/session'

const session = useSession()
await callOnce(() => session.load())
if (import.meta.client) useSelfLock()
</script>

<template>
  <VApp>
    <!-- A locked tablet holds nothing of a client in the page: not covered, but gone. -->
    <LazyLockScreen v-if="session.me?.locked" />
    <NuxtLayout v-else><NuxtPage /></NuxtLayout>
  </VApp>
</template>
