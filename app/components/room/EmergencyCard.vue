<script setup lang="ts">
/** Where we are and whom to call: read out or handed over. */
defineProps<{ practice: { name: string; address: string; phone: string; emergency: string } }>()
</script>

<template>
  <aside class="card">
    <h2>Emergency card</h2>
    <p>
      <b>{{ practice.name }}</b><br />{{ practice.address }}<br />{{ practice.phone }}
    </p>
    <p>
      Trouble breathing, swelling of lips or eyes: <b>{{ practice.emergency }}</b> at once.
    </p>
    <p class="dim">A call tomorrow is noted as due.</p>
  </aside>
</template>

<style scoped>
.card {
  background: var(--candle);
  color: var(--card-ink);
  border-radius: 14px;
  padding: 18px 22px;
  align-self: start;
  font-size: 1.1rem;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.dim {
  color: var(--card-dim);
}
</style>
