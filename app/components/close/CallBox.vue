<script setup lang="ts">
/** When to call, and where: the most marked line of the card. */
defineProps<{ practice: { phone: string; emergency: string } }>()
</script>

<template>
  <p class="callbox">
    <b>Burning, swelling, blisters, or redness that grows:</b> cool water, nothing on it, call
    <b>{{ practice.phone || 'us' }}</b>. Trouble breathing, swollen lips or eyes: call
    <b>{{ practice.emergency }}</b>.
  </p>
</template>

<style scoped>
.callbox {
  border: 2px solid var(--berry);
  border-radius: 8px;
  padding: 8px 12px;
  font-size: 1.05rem;
}
</style>
