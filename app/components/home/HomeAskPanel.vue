<script setup lang="ts">
import { NIGHTS, NIGHT_IDS } from '#core/catalogue/home/nightRows'
import { accepts } from '#core/visit/accepts'
import { asUsed, NOTHING_ASKED, type HomeAsked } from '#core/home/asked'
import type { Answers } from '#core/screening/asking/answers'
import { useAfterwards } from '~/composables/afterwards'
import { daysAgo } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/** Home, asked in Ask: what is used, what they will do; a routine is written from it in Close. */
/** The questions as they are answered on the page beside it. */
const props = defineProps<{ answers: Answers }>()
const visit = useVisit()
const { after, trouble, busy, send } = await useAfterwards()
const may = computed(
  () => visit.bundle?.may.write === true && accepts(visit.bundle.visit.status, 'home'),
)
const asked = ref<HomeAsked>(after.value?.asked?.asked ?? NOTHING_ASKED)
const before = computed(() => after.value?.asked ?? null)
const words = computed(() => {
  const own = before.value
  if (!own) return 'not asked yet'
  const { uses } = asUsed(own.asked, props.answers)
  const used = NIGHT_IDS.filter((id) => (uses[id]?.perWeek ?? 0) > 0)
  const list = used.map((id) => NIGHTS[id].name.toLowerCase()).join(', ') || 'nothing strong'
  return `${list} · asked ${daysAgo(own.at)} by ${own.by}`
})
const keep = () => send('/home-asked', { id: crypto.randomUUID(), asked: asked.value })
const take = () => {
  if (after.value?.fromClient) asked.value = after.value.fromClient
}
</script>

<template>
  <details class="panel">
    <summary>
      <h2>
        At home <span class="soft count">{{ words }}</span>
      </h2>
    </summary>
    <div class="stack mt-2">
      <p v-if="may && after?.fromClient" class="tag calm">
        The client has filled this in.
        <VBtn variant="text" size="small" @click="take">Take their answers</VBtn>
      </p>
      <HomeAskForm v-model="asked" :answers="answers" :disabled="!may" />
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div v-if="may">
        <VBtn variant="outlined" :loading="busy" @click="keep">Save what is used at home</VBtn>
      </div>
    </div>
  </details>
</template>

<style scoped>
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
</style>
