<script setup lang="ts">
import type { Chore } from '#core/tray/ready'

/** Things to tick, one a line, each with what stands beside it. */
defineProps<{
  chores: readonly (Chore & { beside?: string; time?: string })[]
  laid: (key: string) => boolean
}>()
const emit = defineEmits<{ lay: [key: string, laid: boolean] }>()
</script>

<template>
  <ul class="plainlist things">
    <li v-for="chore in chores" :key="chore.key">
      <VCheckbox
        :model-value="laid(chore.key)"
        hide-details
        density="comfortable"
        @update:model-value="(laidNow) => emit('lay', chore.key, laidNow === true)"
      >
        <template #label>
          <span class="name"
            ><b>{{ chore.name }}</b
            ><span v-if="chore.beside" class="soft">&ensp;{{ chore.beside }}</span></span
          >
        </template>
      </VCheckbox>
      <span v-if="chore.time" class="time figures serif">{{ chore.time }}</span>
    </li>
  </ul>
</template>

<style scoped>
.things li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  min-height: 44px;
}
.name {
  color: var(--ink);
}
.time {
  font-size: 1.4rem;
}
</style>
