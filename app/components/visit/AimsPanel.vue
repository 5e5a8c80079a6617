<script setup lang="ts">
import { CONCERN_IDS, CONCERN_NAMES, type ConcernId } from '#core/catalogue/kinds'
import {
  instead,
  MAKE_UP,
  MAKE_UP_IDS,
  takeOffWords,
  type MakeUpId,
} from '#core/catalogue/consultation/makeUp'
import type { VisitPatch } from '#contracts/visit'

/** What the client comes for, the most first; what is worn, home by day or in the dark. */
const props = defineProps<{
  aims: readonly ConcernId[]
  makeUp: readonly MakeUpId[]
  evening: boolean
  may: boolean
}>()
const emit = defineEmits<{ change: [patch: Partial<VisitPatch>] }>()
/** Worn besides what is worn already; what stands for the same falls away. */
function wear(id: MakeUpId) {
  const others = props.makeUp.filter((own) => own !== id && !instead(id, own))
  emit('change', { makeUp: props.makeUp.includes(id) ? others : [...others, id] })
}
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
    <div class="row aims mt-2" role="group" aria-label="On the face now">
      <span>On the face now</span>
      <ToggleChip :on="makeUp.length === 0" :disabled="!may" @click="emit('change', { makeUp: [] })"
        >nothing</ToggleChip
      >
      <ToggleChip
        v-for="id in MAKE_UP_IDS"
        :key="id"
        :on="makeUp.includes(id)"
        :disabled="!may"
        @click="wear(id)"
        >{{ MAKE_UP[id].name }}</ToggleChip
      >
    </div>
    <p class="soft figures mt-1 mb-0">{{ takeOffWords(makeUp) }}</p>
    <div class="row mt-2">
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
