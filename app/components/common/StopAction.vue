<script setup lang="ts">
/** The one main action of a stop, in the head of the page where it is always seen. */
const ready = ref(false)
onMounted(() => { ready.value = true })
</script>

<template><Teleport v-if="ready" to="#stop-action"><slot /></Teleport></template>
