<script setup lang="ts">
await navigateTo(`/visits/${String(useRoute().params.id)}/ask`, { replace: true })
</script>

<template><div /></template>
