<script setup lang="ts">
import { useSelfLock } from '~/composables/selfLock'
import { useSession } from '~/stores/session'

const session = useSession()
await callOnce(() => session.load())
if (import.meta.client) {
  useSelfLock()
  // What a tablet needs to lock itself or to sign somebody out is there before the house is away.
  watch(
    () => session.me !== null,
    (inside) => {
      if (inside) onNuxtReady(fetchDoors)
    },
    { immediate: true },
  )
}
function fetchDoors(): void {
  void Promise.all([
    import('~/components/LockScreen.vue'),
    import('~/components/common/UnsentDialog.vue'),
  ]).catch(() => {})
}
</script>

<template>
  <VApp>
    <!-- A locked tablet holds nothing of a client in the page: not covered, but gone. -->
    <LazyLockScreen v-if="session.me?.locked" />
    <NuxtLayout v-else><NuxtPage /></NuxtLayout>
  </VApp>
</template>
