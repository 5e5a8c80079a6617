<script setup lang="ts">
import { CONCERN_IDS, CONCERN_NAMES, type ConcernId } from '#core/catalogue/kinds'
import type { VisitPatch } from '#contracts/visit'

/** What the client comes for, the most first; made-up or not, home by day or in the dark. */
const props = defineProps<{
  aims: readonly ConcernId[]
  madeUp: boolean
  evening: boolean
  may: boolean
}>()
const emit = defineEmits<{ change: [patch: Partial<VisitPatch>] }>()
const MOST = 5
const rank = (id: ConcernId) => props.aims.indexOf(id) + 1
function toggle(id: ConcernId) {
  const without = props.aims.filter((aim) => aim !== id)
  const aims = without.length < props.aims.length ? without : [...props.aims, id].slice(0, MOST)
  emit('change', { aims })
}
</script>

<template>
  <section class="panel">
    <h2>What for today</h2>
    <div class="row aims">
      <ToggleChip
        v-for="id in CONCERN_IDS"
        :key="id"
        :on="rank(id) > 0"
        :disabled="!may"
        @click="toggle(id)"
        ><b v-if="rank(id)" class="figures rank">{{ rank(id) }}</b
        >{{ CONCERN_NAMES[id] }}</ToggleChip
      >
    </div>
    <div class="row mt-2">
      <VSwitch
        :model-value="madeUp"
        label="Made-up now"
        color="primary"
        hide-details
        density="compact"
        :disabled="!may"
        @update:model-value="(on) => emit('change', { madeUp: on === true })"
      />
      <VSwitch
        :model-value="evening"
        label="Goes home in the dark"
        color="primary"
        hide-details
        density="compact"
        :disabled="!may"
        @update:model-value="(on) => emit('change', { evening: on === true })"
      />
    </div>
  </section>
</template>

<style scoped>
.aims {
  gap: 8px;
}
.rank {
  margin-right: 8px;
}
</style>
