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
import { asUsed, USUAL_USE, type HomeAsked, type HomeUse } from '#core/home/asked'
import type { Answers } from '#core/screening/asking/answers'
import { timesAWeek } from '~/composables/homeWords'

/**
 * What is used in the evening now: how often, how strong, since when. What the questions have asked
 * already is shown, not asked again.
 */
const props = defineProps<{ asked: HomeAsked; answers: Answers; disabled: boolean }>()
const emit = defineEmits<{ change: [uses: HomeAsked['uses']] }>()
const TIMES = Array.from({ length: WEEK_DAYS + 1 }, (_, times) => ({
  value: times,
  title: timesAWeek(times),
}))
const STRENGTHS = HOME_STRENGTH_IDS.map((id) => ({ value: id, title: HOME_STRENGTHS[id].word }))
const SINCE = HOME_SINCE_IDS.map((id) => ({ value: id, title: HOME_SINCE[id] }))
const used = computed(() => asUsed(props.asked, props.answers).uses)
const useOf = (id: NightId) => used.value[id] ?? USUAL_USE
/** What the questions say of it; nothing where they do not ask, or have not yet. */
const saidOf = (id: NightId): string | undefined => {
  const { finding } = NIGHTS[id]
  if (finding === undefined) return undefined
  if (!props.answers[finding]) return 'asked among the questions'
  const { perWeek, strength } = useOf(id)
  return perWeek === 0 ? timesAWeek(0) : `${timesAWeek(perWeek)}, ${HOME_STRENGTHS[strength].word}`
}
const set = (id: NightId, change: Partial<HomeUse>) => {
  emit('change', { ...props.asked.uses, [id]: { ...useOf(id), ...change } })
}
</script>

<template>
  <ul class="plainlist">
    <li v-for="id in NIGHT_IDS" :key="id" class="use">
      <b>{{ NIGHTS[id].name }}</b>
      <span v-if="saidOf(id)" class="soft">{{ saidOf(id) }}</span>
      <VSelect
        v-else
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
          v-if="!NIGHTS[id].finding"
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
