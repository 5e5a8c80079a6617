<script setup lang="ts">
import { RANK_WEIGHTS } from '#core/catalogue/rules/value'
import { CONCERN_IDS, CONCERN_NAMES, type ConcernId } from '#core/catalogue/kinds'
import {
  instead,
  MAKE_UP,
  MAKE_UP_IDS,
  takeOffWords,
  type MakeUpId,
} from '#core/catalogue/consultation/makeUp'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { shortName } from '#core/catalogue/techniques/traits'
import { namedOnly } from '#core/planning/today/named'
import type { VisitPatch } from '#contracts/visit'

/** What the client comes for, the most first; what is worn, home by day or in the dark. */
const props = defineProps<{
  aims: readonly ConcernId[]
  /** Null: nobody has asked yet. */
  makeUp: readonly MakeUpId[] | null
  named: readonly TechniqueId[]
  evening: boolean
  may: boolean
}>()
const emit = defineEmits<{ change: [patch: Partial<VisitPatch>] }>()
/** Worn besides what is worn already; what stands for the same falls away. */
function wear(id: MakeUpId) {
  const worn = props.makeUp ?? []
  const others = worn.filter((own) => own !== id && !instead(id, own))
  emit('change', { makeUp: worn.includes(id) ? others : [...others, id] })
}
/** Strong work is planned only when it is asked for by name. */
const STRONG = TECHNIQUE_IDS.filter((id) => namedOnly(TECHNIQUES[id]))
function name(id: TechniqueId) {
  const others = props.named.filter((own) => own !== id)
  emit('change', { named: props.named.includes(id) ? others : [...others, id] })
}
const rank = (id: ConcernId) => props.aims.indexOf(id) + 1
function toggle(id: ConcernId) {
  const without = props.aims.filter((aim) => aim !== id)
  const aims =
    without.length < props.aims.length ? without : [...props.aims, id].slice(0, RANK_WEIGHTS.length)
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
    <p v-if="aims.length === 0" class="soft mt-1 mb-0">
      Nothing chosen yet: the plan cleans, calms and protects.
    </p>
    <div class="row aims mt-2" role="group" aria-label="Asked for by name">
      <span>Asked for by name</span>
      <ToggleChip
        v-for="id in STRONG"
        :key="id"
        :on="named.includes(id)"
        :disabled="!may"
        @click="name(id)"
        >{{ shortName(id) }}</ToggleChip
      >
    </div>
    <div class="row aims mt-2" role="group" aria-label="On the face now">
      <span>On the face now</span>
      <ToggleChip
        :on="makeUp?.length === 0"
        :disabled="!may"
        @click="emit('change', { makeUp: [] })"
        >nothing</ToggleChip
      >
      <ToggleChip
        v-for="id in MAKE_UP_IDS"
        :key="id"
        :on="makeUp?.includes(id) === true"
        :disabled="!may"
        @click="wear(id)"
        >{{ MAKE_UP[id].name }}</ToggleChip
      >
    </div>
    <p class="soft figures mt-1 mb-0">
      {{ makeUp ? takeOffWords(makeUp) : 'Not asked yet: planned as light make-up.' }}
    </p>
    <div class="row mt-2">
      <VSwitch
        :model-value="evening"
        label="Goes home after dark: no sun protection"
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
