<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import type { Overrule } from '#core/skin/notes'
import { READING_NAMES, type Grade } from '#core/skin/readings'
import { todayOf } from '#core/visit/today'
import { PAINTED, usePainting } from '~/composables/painting'
import { sayProblem } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const bundle = computed(() => visit.bundle)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'reading'),
)
const painting = usePainting(
  { zones: visit.bundle?.readings.madeUp ?? {}, whole: visit.bundle?.whole ?? {} },
  () => may.value,
)
const { zones, whole, reading, brush, noticing, fill, marks } = painting
const changed = ref(false)
const trouble = ref('')
const draft = useDraft({
  key: () => `read-${bundle.value?.visit.id ?? ''}`,
  value: () => ({ zones: zones.value, whole: whole.value }),
  restore: (kept) => {
    zones.value = kept.zones
    whole.value = kept.whole
  },
  changed: () => {
    changed.value = true
  },
})
onMounted(draft.start)

/** What holds today with the skin as it is being read. */
const today = computed(
  () => bundle.value && todayOf(bundle.value, { readings: zones.value, whole: whole.value }),
)
function onKey(event: KeyboardEvent) {
  const typing = (event.target as Element).closest('input,textarea,select,[data-zone]')
  if (/^[0-4]$/.test(event.key) && !typing) brush.value = Number(event.key) as Grade
}
async function keep() {
  await visit.send('/readings', 'POST', {
    id: crypto.randomUUID(),
    phase: 'madeUp',
    zones: zones.value,
    whole: whole.value,
  })
  await draft.drop()
  changed.value = false
  await visit.reload()
}
async function onward() {
  trouble.value = ''
  try {
    if (may.value && (changed.value || !bundle.value?.readings.madeUp)) await keep()
    await navigateTo(`/visits/${bundle.value?.visit.id ?? ''}/plan`)
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <div v-if="bundle && today" class="read" @keydown="onKey">
    <StopAction>
      <VBtn color="primary" @click="onward">
        {{ may ? 'Save reading, plan' : 'See the plan' }}
      </VBtn>
    </StopAction>
    <section class="tools stack">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <ReadingTools
        v-model:reading="reading"
        v-model:brush="brush"
        v-model:noticing="noticing"
        :unread="painting.unread"
        :may="may"
        :has-last="bundle.previousReading !== null"
        @all="painting.paintAll"
        @last="painting.fromLast(bundle.previousReading)"
      />
    </section>
    <section class="face">
      <FaceDrawing
        :fill="fill"
        :marks="marks"
        pick
        :label="`Face, ${READING_NAMES[reading]} by zone`"
        :words="painting.words"
        @zone="painting.tap"
        @sweep="painting.tap"
        @grade="(zone, grade) => painting.paint(zone, grade as Grade)"
      />
    </section>
    <section class="profile stack">
      <ProfilePanel
        :profile="today.profile"
        :whole="whole"
        :limit-percent="today.verdict.limit.tolerancePercent"
        :disabled="!may"
        :made-up="bundle.visit.makeUp?.length !== 0"
        @overrule="(overruled: Overrule[]) => painting.change({ overruled })"
      />
      <AgainstLastTime :bundle="bundle" :zones="zones" :any-read="today.profile.confidence > 0" />
      <WholePanel :whole="whole" :zones="zones" :disabled="!may" @change="painting.change" />
      <PoreSweepPanel :whole="whole" :bundle="bundle" :disabled="!may" @change="painting.change" />
      <MeterPanel />
      <HalvesPanel moment="before" />
    </section>
    <ReadingList
      class="list"
      :zones="zones"
      :painted="PAINTED"
      :disabled="!may"
      @grade="painting.setGrade"
    />
  </div>
</template>

<style scoped>
.tools {
  gap: 8px;
}
.read {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr) 340px;
  gap: 20px;
  padding: 4px 24px 20px;
}
.face {
  height: min(660px, calc(100dvh - 130px));
  position: sticky;
  top: 10px;
}
.list {
  grid-column: 1 / -1;
}
@media (max-width: 1100px) {
  .whats {
    grid-template-columns: minmax(0, 1fr);
  }
  .read {
    grid-template-columns: 230px minmax(0, 1fr);
  }
  .profile {
    grid-column: 1 / -1;
  }
  .face {
    position: static;
  }
}
</style>
