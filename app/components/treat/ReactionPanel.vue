<script setup lang="ts">
import { SIGN_IDS, SIGN_NAMES } from '#core/catalogue/rules/stopRules'
import { REGION_NAMES, zonesOf } from '#core/face/regions'
import { ZONES, type RegionId, type ZoneId } from '#core/face/zones'
import { GRADES, GRADE_WORDS, type Grade } from '#core/skin/readings'
import { useRoom } from '~/stores/room'

const props = defineProps<{ stepKey: string; fromHead: boolean }>()
const emit = defineEmits<{ close: [] }>()
const room = useRoom()
const region = ref<RegionId | null>(null)
const fill = computed(() =>
  Object.fromEntries(region.value ? zonesOf(region.value).map((z) => [z, '#C26F55']) : []),
)
const pick = (z: ZoneId) => {
  region.value = ZONES[z].regions[0] ?? null
}
const last = computed(() => room.state?.reactions[room.state.reactions.length - 1])
const redness = async (grade: Grade) => {
  if (region.value)
    await room.tap({ kind: 'redness', region: region.value, grade, key: props.stepKey })
}
const sensation = (grade: number) =>
  room.tap({ kind: 'sensation', grade, region: region.value, key: props.stepKey })
const sign = (s: (typeof SIGN_IDS)[number]) =>
  room.tap({ kind: 'sign', sign: s, region: region.value, key: props.stepKey })
const base = computed(() => (region.value ? room.context?.baseline[region.value] : undefined))
const box = ref<HTMLElement | null>(null)
onMounted(() => box.value?.focus())
</script>

<template>
  <div ref="box" class="panel2" role="dialog" aria-modal="true" aria-label="Reaction" tabindex="-1">
    <div class="face">
      <FaceDrawing :fill="fill" :from-head="fromHead" dark pick label="Where is it?" @zone="pick" />
    </div>
    <div class="body">
      <div class="between">
        <h2>{{ region ? `On the ${REGION_NAMES[region]}` : 'Where? Tap the face' }}</h2>
        <button type="button" class="k" @click="emit('close')">Close</button>
      </div>
      <h3>
        Redness
        <span class="dim">{{
          region ? `baseline ${base ?? 'not read'}` : 'choose the zone first'
        }}</span>
      </h3>
      <div class="row">
        <button
          v-for="g in GRADES"
          :key="g"
          type="button"
          class="k"
          :disabled="!region"
          @click="redness(g)"
        >
          <b>{{ g }}</b> {{ GRADE_WORDS.redness[g] }}
        </button>
      </div>
      <h3>Sensation <span class="dim">0 nothing, 3 tingle, 5 sting, 7 and more burning</span></h3>
      <div class="row tight">
        <button
          v-for="n in 11"
          :key="n"
          type="button"
          class="k num"
          :aria-label="`Sensation ${n - 1}`"
          @click="sensation(n - 1)"
        >
          {{ n - 1 }}
        </button>
      </div>
      <h3>Signs that stop at once</h3>
      <div class="row">
        <button v-for="x in SIGN_IDS" :key="x" type="button" class="k red" @click="sign(x)">
          {{ SIGN_NAMES[x] }}
        </button>
      </div>
      <p v-if="last" class="said" role="status">
        {{ last.judgement.text }} <span class="dim">{{ last.judgement.rule.sentence }}</span>
      </p>
    </div>
  </div>
</template>

<style scoped>
.panel2 {
  position: fixed;
  inset: 0;
  background: #14100c;
  z-index: 30;
  display: grid;
  grid-template-columns: 380px 1fr;
  gap: 34px;
  align-items: center;
  padding: 24px 34px;
  color: #f8ebd6;
  overflow-y: auto;
}
.face {
  height: min(680px, 88vh);
}
.body {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
h2,
h3,
p {
  margin: 0;
}
h3 {
  font-size: 1.3rem;
}
h2 {
  font-size: 1.8rem;
}
.k {
  min-height: 64px;
  padding: 0 18px;
  border-radius: 14px;
  border: 1.5px solid #6e5b43;
  background: #241c15;
  color: #f8ebd6;
  font: inherit;
  font-size: 1.0625rem;
  cursor: pointer;
}
.k:disabled {
  color: #a08e74;
  cursor: not-allowed;
}
.num {
  width: 64px;
  padding: 0;
}
.tight {
  gap: 8px;
}
.red {
  background: #4a201a;
  border-color: #8e4a3c;
  color: #fbd9ce;
}
.dim {
  color: #c3ac8b;
  font-size: 1rem;
  font-family: var(--sans);
  font-weight: 400;
}
.said {
  background: #241c15;
  border-left: 5px solid #f0c274;
  padding: 12px;
  font-size: 1.15rem;
}
@media (max-width: 820px) {
  .panel2 {
    grid-template-columns: 1fr;
  }
  .face {
    height: 300px;
  }
}
</style>
