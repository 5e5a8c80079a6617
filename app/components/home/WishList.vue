<script setup lang="ts">
import { mdiArrowUp } from '@mdi/js'
import {
  HOME_STRENGTHS,
  HOME_STRENGTH_IDS,
  NIGHTS,
  NIGHT_IDS,
  type NightId,
} from '#core/catalogue/home/nightRows'
import type { HomeWish, HomeWishes } from '#core/home/asked'
import { timesAWeek } from '~/composables/homeWords'

/** What the evenings should hold, what matters most first. */
const wishes = defineModel<HomeWishes>({ required: true })
defineProps<{ disabled: boolean }>()
const others = computed(() =>
  NIGHT_IDS.filter((id) => !wishes.value.nights.some((wish) => wish.id === id)),
)
const put = (nights: HomeWish[]) => {
  wishes.value = { ...wishes.value, nights }
}
const add = (id: NightId) => {
  const { begins, forSkin } = NIGHTS[id]
  const perWeek = begins?.perWeek ?? forSkin?.perWeek ?? 1
  put([...wishes.value.nights, { id, perWeek, strength: 'usual' }])
}
const change = (id: NightId, more: Partial<HomeWish>) => {
  put(wishes.value.nights.map((wish) => (wish.id === id ? { ...wish, ...more } : wish)))
}
const drop = (id: NightId) => {
  put(wishes.value.nights.filter((wish) => wish.id !== id))
}
function raise(place: number) {
  const nights = [...wishes.value.nights]
  const [own] = nights.splice(place, 1)
  if (own) put([...nights.slice(0, place - 1), own, ...nights.slice(place - 1)])
}
const timesOf = (id: NightId) =>
  Array.from({ length: NIGHTS[id].mostAWeek }, (_, place) => ({
    value: place + 1,
    title: timesAWeek(place + 1),
  }))
const STRENGTHS = HOME_STRENGTH_IDS.map((id) => ({ value: id, title: HOME_STRENGTHS[id].word }))
</script>

<template>
  <div class="stack">
    <ol class="plainlist">
      <li v-for="(wish, place) in wishes.nights" :key="wish.id" class="wish">
        <b>{{ place + 1 }}. {{ NIGHTS[wish.id].name }}</b>
        <VSelect
          :model-value="wish.perWeek"
          :items="timesOf(wish.id)"
          :label="`${NIGHTS[wish.id].name}, how often`"
          density="compact"
          hide-details
          :disabled="disabled"
          @update:model-value="(perWeek: number) => change(wish.id, { perWeek })"
        />
        <VSelect
          v-if="NIGHTS[wish.id].finding"
          :model-value="wish.strength"
          :items="STRENGTHS"
          :label="`${NIGHTS[wish.id].name}, how strong`"
          density="compact"
          hide-details
          :disabled="disabled"
          @update:model-value="(strength: HomeWish['strength']) => change(wish.id, { strength })"
        />
        <div class="row">
          <VBtn
            v-if="place > 0"
            :icon="mdiArrowUp"
            variant="text"
            size="small"
            :aria-label="`${NIGHTS[wish.id].name} first`"
            :disabled="disabled"
            @click="raise(place)"
          />
          <VBtn variant="text" size="small" :disabled="disabled" @click="drop(wish.id)"
            >Leave out</VBtn
          >
        </div>
      </li>
    </ol>
    <div class="row" role="group" aria-label="Add">
      <ToggleChip v-for="id in others" :key="id" :disabled="disabled" @click="add(id)"
        >+ {{ NIGHTS[id].name }}</ToggleChip
      >
      <ToggleChip
        :on="wishes.vitaminC"
        :disabled="disabled"
        @click="wishes = { ...wishes, vitaminC: !wishes.vitaminC }"
        >Vitamin C in the morning</ToggleChip
      >
    </div>
  </div>
</template>

<style scoped>
.wish {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 8px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
</style>
