<script setup lang="ts">
import {
  HOME_STRENGTHS,
  HOME_STRENGTH_IDS,
  NIGHTS,
  NIGHT_IDS,
  type NightId,
} from '#core/catalogue/home/nightRows'
import { HOME_SINCE, HOME_SINCE_IDS } from '#core/catalogue/home/homeWords'
import { WEEK_DAYS } from '#core/units'
import type { HomeAsked, HomeUse } from '#core/home/asked'

/** What is used in the evening now: how often, how strong, since when. */
const props = defineProps<{ uses: HomeAsked['uses']; disabled: boolean }>()
const emit = defineEmits<{ change: [uses: HomeAsked['uses']] }>()
const TIMES = Array.from({ length: WEEK_DAYS + 1 }, (_, times) => ({
  value: times,
  title: times === 0 ? 'not used' : times === 1 ? 'once a week' : `${times} times a week`,
}))
const STRENGTHS = HOME_STRENGTH_IDS.map((id) => ({ value: id, title: HOME_STRENGTHS[id].word }))
const SINCE = HOME_SINCE_IDS.map((id) => ({ value: id, title: HOME_SINCE[id] }))
const START: HomeUse = { perWeek: 0, strength: 'usual', since: 'weeks' }
const useOf = (id: NightId) => props.uses[id] ?? START
const set = (id: NightId, change: Partial<HomeUse>) => {
  emit('change', { ...props.uses, [id]: { ...useOf(id), ...change } })
}
</script>

<template>
  <ul class="plainlist">
    <li v-for="id in NIGHT_IDS" :key="id" class="use">
      <b>{{ NIGHTS[id].name }}</b>
      <VSelect
        :model-value="useOf(id).perWeek"
        :items="TIMES"
        :label="`${NIGHTS[id].name}: evenings`"
        density="compact"
        hide-details
        :disabled="disabled"
        @update:model-value="(perWeek: number) => set(id, { perWeek })"
      />
      <template v-if="useOf(id).perWeek > 0">
        <VSelect
          :model-value="useOf(id).strength"
          :items="STRENGTHS"
          label="How strong"
          density="compact"
          hide-details
          :disabled="disabled"
          @update:model-value="(strength: HomeUse['strength']) => set(id, { strength })"
        />
        <VSelect
          :model-value="useOf(id).since"
          :items="SINCE"
          label="Since"
          density="compact"
          hide-details
          :disabled="disabled"
          @update:model-value="(since: HomeUse['since']) => set(id, { since })"
        />
      </template>
    </li>
  </ul>
</template>

<style scoped>
.use {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
</style>
