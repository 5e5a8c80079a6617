<script setup lang="ts">
import type { OpenedPage } from '#contracts/replies/opened'
import { openedState } from '#core/hygiene/opened'
import { dayAndClock } from '~/composables/dates'

/** What is open, each with its clock: what ends first is used first, what is over is thrown out. */
defineProps<{ things: OpenedPage['open']; now: number; zone: string; busy?: boolean }>()
const emit = defineEmits<{ end: [id: string, how: 'used' | 'thrown'] }>()
const TONES = { good: 'good', soon: 'watch', over: 'stop' } as const
const WORDS = { good: 'good until', soon: 'use first, until', over: 'over since' } as const
</script>

<template>
  <ul class="plainlist">
    <li v-for="thing in things" :key="thing.id" class="between thing">
      <span>
        <b class="name">{{ thing.name }}</b><template v-if="thing.client"
          >, for {{ thing.client.name }}</template
        ><br />
        <span class="tag figures" :class="TONES[openedState(thing.until, now)]"
          >{{ WORDS[openedState(thing.until, now)] }} {{ dayAndClock(thing.until, zone) }}</span
        >
        <span class="soft figures"> opened {{ dayAndClock(thing.at, zone) }}, {{ thing.by }}</span>
      </span>
      <span class="row noprint">
        <VBtn
          v-if="openedState(thing.until, now) !== 'over'"
          variant="outlined"
          :disabled="busy"
          @click="emit('end', thing.id, 'used')"
          >Used up<span class="sr">: {{ thing.name }}</span></VBtn
        >
        <VBtn variant="outlined" :disabled="busy" @click="emit('end', thing.id, 'thrown')"
          >Thrown out<span class="sr">: {{ thing.name }}</span></VBtn
        >
      </span>
    </li>
  </ul>
</template>

<style scoped>
.thing {
  border-top: 1px solid var(--line);
  padding: 8px 0;
  align-items: center;
}
.name::first-letter {
  text-transform: uppercase;
}
.name {
  display: inline-block;
}
</style>
