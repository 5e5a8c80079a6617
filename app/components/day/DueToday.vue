<script setup lang="ts">
import type { CallDue, DueLine } from '#contracts/replies/day'

/** What the day asks for beside its visits: calls, patches, what is wanted twice, what ends. */
defineProps<{
  calls: readonly CallDue[]
  dues: readonly DueLine[]
  conflicts: readonly { key: string; text: string }[]
  away: readonly { staff: string; word: string }[]
}>()
const emit = defineEmits<{ made: [] }>()
</script>

<template>
  <aside class="due" aria-label="Due">
    <slot />
    <h2>Due</h2>
    <CallsDue :calls="calls" @made="emit('made')" />
    <ul v-if="conflicts.length" class="plainlist" aria-label="Double booked">
      <li v-for="conflict in conflicts" :key="conflict.key" class="stop">{{ conflict.text }}</li>
    </ul>
    <ul class="plainlist">
      <li v-for="own in dues" :key="own.title + own.text" :class="own.kind">
        <NuxtLink v-if="own.to" :to="own.to">{{ own.title }}</NuxtLink>
        <b v-else>{{ own.title }}</b>
        <br /><span class="soft">{{ own.text }}</span>
      </li>
      <li v-for="own in away" :key="own.staff" class="watch">
        <b>{{ own.staff }} is away</b><br /><span class="soft">{{ own.word }}</span>
      </li>
    </ul>
    <p v-if="!calls.length && !dues.length && !conflicts.length && !away.length" class="soft">
      Nothing is due.
    </p>
  </aside>
</template>

<style scoped>
.due {
  background: var(--paper);
  border-left: 1.5px solid var(--line);
  padding: 16px 18px;
}
.due h2 {
  margin-top: 10px;
}
.due li {
  border-left: 4px solid var(--basin);
  padding: 0 0 2px 12px;
  margin: 12px 0;
  line-height: 1.35;
}
.due .stop {
  border-left-color: var(--berry);
}
.due .watch {
  border-left-color: var(--amber);
}
.due a {
  color: var(--ink);
  font-weight: 650;
}
</style>
