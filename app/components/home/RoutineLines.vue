<script setup lang="ts">
import type { HomeLine } from '#core/home/routine'
import { isoDayWords } from '~/composables/dates'

/**
 * One morning or evening in layering order, with how much is enough and the pauses between; `only`
 * one of its lines in full, where the others are said elsewhere.
 */
defineProps<{ title: string; lines: readonly HomeLine[]; only?: HomeLine['id'] }>()
const startWords = (from: string | null) => (from === null ? '' : ` · from ${isoDayWords(from)}`)
</script>

<template>
  <section class="lines">
    <h3>{{ title }}</h3>
    <ol>
      <li v-for="line in lines" :key="line.id">
        <b>{{ line.name }}</b><span v-if="line.product">: {{ line.product }}</span>
        <template v-if="only === undefined || only === line.id">
          <span class="amount"> · {{ line.amount }}{{ startWords(line.from) }}</span>
          <br /><span>{{ line.how }}</span> <span class="soft reason">{{ line.why }}</span>
        </template>
        <span v-if="line.wait" class="pause"
          >{{ line.wait.minutes }} min: {{ line.wait.sentence }}</span
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
@media print {
  .lines {
    break-inside: avoid;
  }
}
ol {
  margin: 4px 0 0;
  padding-left: 1.3em;
}
li {
  padding: 3px 0;
}
.amount {
  font-weight: 600;
}
.reason {
  display: block;
}
.reason::first-letter {
  text-transform: uppercase;
}
.pause {
  display: block;
  color: var(--basin);
}
</style>
