<script setup lang="ts">
import { useSession } from '~/stores/session'

const session = useSession()
await callOnce(() => session.load())
</script>

<template>
  <VApp>
    <NuxtLayout><NuxtPage /></NuxtLayout>
    <LazyLockScreen v-if="session.me?.locked" />
  </VApp>
</template>
