<script setup lang="ts">
import { STOP_STEP_WORDS } from '#core/catalogue/rules/stopRules'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { nameRegions } from '#core/face/regions'
import { stopRegions } from '#core/treatment/order/atHand'
import { suspectBottles, suspectedWords, suspectWork } from '#core/treatment/stop/suspects'
import { onSkin } from '#core/treatment/fold/clocks'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** What happened, where, and what was on the skin: the form of a contra-action. */
const props = defineProps<{ reason: string; kept: boolean }>()
const room = useRoom()
const visit = useVisit()
const lying = computed(() => (room.state && room.context ? onSkin(room.state, room.context) : []))
const suspects = computed(() =>
  room.state && room.context ? suspectBottles(room.state, room.context) : [],
)
const where = computed(() => (room.state ? stopRegions(room.state) : []))
const whereWords = computed(() => (where.value.length ? nameRegions(where.value) : 'not marked'))
const onSkinWords = computed(
  () => lying.value.map((step) => techniqueOf(step).name.toLowerCase()).join(', ') || 'nothing',
)
const what = ref(props.reason)
const works = computed(() =>
  room.state && room.context ? suspectWork(room.state, room.context) : [],
)
/** Nothing is suspected until somebody says so: a bottle by its id, other work by its place. */
const suspected = ref<string | number | null>(null)
const nameOf = (id: string) =>
  visit.bundle?.shelf.find(({ product }) => product.id === id)?.product.name ?? ''
const products = computed(() => [
  { value: null, title: 'not known' },
  ...works.value.map((work, place) => ({ value: place, title: suspectedWords(work) })),
  ...suspects.value.map((id) => ({ value: id, title: nameOf(id) })),
])

async function keep() {
  await room.tap({
    kind: 'contraAction',
    what: what.value.trim().slice(0, 500) || 'reaction',
    where: where.value,
    done: 'removed with cool water, cold compress',
    suspected: typeof suspected.value === 'string' ? suspected.value : null,
    ...(typeof suspected.value === 'number' && works.value[suspected.value]
      ? { suspectedWork: works.value[suspected.value] }
      : {}),
  })
  await room.tap({ kind: 'stopStep', step: 'form' })
}
</script>

<template>
  <div class="form">
    <b>{{ STOP_STEP_WORDS.form }}</b>
    <template v-if="!kept">
      <div class="fields">
        <VTextarea v-model="what" label="What" rows="2" maxlength="500" hide-details />
        <VSelect v-model="suspected" label="Suspected" :items="products" hide-details />
      </div>
      <p class="dim">Where: {{ whereWords }} · on the skin: {{ onSkinWords }}</p>
      <RoomButton tone="warn" @click="keep">Save form</RoomButton>
    </template>
    <p v-else class="dim">saved</p>
  </div>
</template>

<style scoped>
.form {
  border: 1.5px solid var(--stop-line);
  border-radius: 14px;
  padding: 14px 20px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 8px 12px;
}
@media (max-height: 820px) {
  .form {
    padding: 8px 16px;
    gap: 6px;
  }
}
@media (max-width: 820px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
.dim {
  color: var(--stop-dim);
}
</style>
