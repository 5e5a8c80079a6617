<script setup lang="ts">
/** The one main action of a stop, in the head of the page where it is always seen. */
withDefaults(defineProps<{ to?: string }>(), { to: '#stop-action' })
const ready = ref(false)
onMounted(() => {
  ready.value = true
})
</script>

<template>
  <Teleport v-if="ready" :to="to"><slot /></Teleport>
</template>
