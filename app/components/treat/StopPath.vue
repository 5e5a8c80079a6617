<script setup lang="ts">
import { STOP_STEPS, STOP_STEP_WORDS, type StopStepId } from '#core/catalogue/rules/stopRules'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { nameRegions } from '#core/face/regions'
import type { RegionId } from '#core/face/zones'
import { onSkin } from '#core/treatment/clocks'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

const room = useRoom()
const visit = useVisit()
const b = computed(() => visit.bundle)
const s = computed(() => room.state)
const has = (x: StopStepId) => s.value?.stopped?.steps.includes(x) === true
const next = computed(() => STOP_STEPS.find((x) => !has(x)))
const suspects = computed(() => (s.value && room.context ? onSkin(s.value, room.context) : []))
const where = computed<RegionId[]>(() => [
  ...new Set(
    (s.value?.reactions ?? []).flatMap((r) =>
      r.judgement.act === 'stop' && r.body.region ? [r.body.region] : [],
    ),
  ),
])
const what = ref('')
const suspected = ref<string | null>(null)
watch(
  () => s.value?.stopped?.reason,
  (r) => {
    if (r && !what.value) what.value = r
  },
  { immediate: true },
)
watch(
  suspects,
  (list) => {
    suspected.value ??= list[0]?.productId ?? null
  },
  { immediate: true },
)
const productName = (id: string | undefined) =>
  b.value?.shelf.find((x) => x.product.id === id)?.product.name ?? ''
async function form() {
  await room.tap({
    kind: 'contraAction',
    what: what.value.trim().slice(0, 500) || 'reaction',
    where: where.value,
    done: 'removed with cool water, cold compress',
    suspected: suspected.value,
  })
  await room.tap({ kind: 'stopStep', step: 'form' })
}
const tick = (x: StopStepId) => room.tap({ kind: 'stopStep', step: x })
const late = ref('')
async function onward() {
  if (!(await room.calmPlan())) late.value = room.trouble
}
function onKey(e: KeyboardEvent) {
  if (
    e.key === ' ' &&
    !(e.target as Element).closest('input,textarea,select,button') &&
    next.value &&
    next.value !== 'form'
  ) {
    e.preventDefault()
    void tick(next.value)
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <section v-if="b && s?.stopped" class="stop" aria-label="Stop">
    <header>
      <p class="why2">{{ s.stopped.reason }}</p>
      <h1>Stop. Off with cool water.</h1>
      <p v-if="s.stopped.callHelp" class="help" role="alert">
        Call help now: {{ b.practice.emergency }}
      </p>
    </header>
    <ol class="steps">
      <li v-for="x in STOP_STEPS" :key="x" :class="{ done: has(x), here: next === x }">
        <button v-if="x !== 'form'" type="button" :disabled="has(x)" @click="tick(x)">
          <span aria-hidden="true">{{ has(x) ? '✓' : '' }}</span>{{ STOP_STEP_WORDS[x]
          }}<kbd v-if="next === x">Space</kbd>
        </button>
        <div v-else class="form">
          <b>{{ STOP_STEP_WORDS.form }}</b>
          <template v-if="!has('form')"
            ><label>What <textarea v-model="what" rows="2" maxlength="500" /></label>
            <p class="dim">
              Where: {{ where.length ? nameRegions(where) : 'not marked' }} · on the skin:
              {{
                suspects.map((y) => TECHNIQUES[y.technique].name.toLowerCase()).join(', ') ||
                'nothing'
              }}
            </p>
            <label
              >Suspected
              <select v-model="suspected">
                <option :value="null">none</option>
                <option v-for="y in suspects" :key="y.key" :value="y.productId">
                  {{ productName(y.productId) }}
                </option>
              </select></label
            ><button type="button" class="keep" @click="form">Keep the form</button></template
          >
          <p v-else class="dim">kept</p>
        </div>
      </li>
    </ol>
    <aside class="card">
      <h2>Emergency card</h2>
      <p>
        <b>{{ b.practice.name }}</b><br />{{ b.practice.address }}<br />{{ b.practice.phone }}
      </p>
      <p>
        Trouble breathing, swelling of lips or eyes: <b>{{ b.practice.emergency }}</b> at once.
      </p>
      <p class="dim">A call tomorrow is noted as due.</p>
    </aside>
    <footer>
      <p v-if="late" role="alert" class="help">{{ late }}</p>
      <button type="button" class="onward" :disabled="next !== undefined" @click="onward">
        {{ next === undefined ? 'Go on, calm only' : 'Finish the list first' }}
      </button>
    </footer>
  </section>
</template>

<style scoped>
.stop {
  grid-column: 1 / -1;
  grid-row: 1 / -1;
  background: #2a0f0c;
  padding: 26px 38px;
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  gap: 14px 34px;
  align-content: start;
  min-height: 100dvh;
}
header,
footer {
  grid-column: 1 / -1;
}
h1 {
  font-size: 3rem;
  margin: 0;
}
p {
  margin: 4px 0;
}
.why2 {
  color: #f9c9ba;
  font-size: 1.25rem;
}
.help {
  background: #f3a38e;
  color: #2a0e0a;
  font-weight: 750;
  font-size: 1.4rem;
  padding: 10px 16px;
  border-radius: 10px;
}
.steps {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.steps button:not(.keep) {
  width: 100%;
  min-height: 64px;
  text-align: left;
  padding: 0 20px;
  border-radius: 14px;
  border: 1.5px solid #8e4a3c;
  background: #3a1713;
  color: #fbe7dc;
  font: inherit;
  font-size: 1.25rem;
  cursor: pointer;
  display: flex;
  gap: 14px;
  align-items: center;
}
.steps .here > button {
  background: #7a2e22;
  font-weight: 700;
}
.steps .done > button {
  color: #d9b5a8;
}
kbd {
  margin-left: auto;
  font: inherit;
  font-size: 0.9rem;
}
.form {
  border: 1.5px solid #8e4a3c;
  border-radius: 14px;
  padding: 12px 20px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.form textarea,
.form select {
  width: 100%;
  background: #1c0a08;
  color: #fbe7dc;
  border: 1.5px solid #8e4a3c;
  border-radius: 8px;
  padding: 10px;
  font: inherit;
  min-height: 48px;
}
.keep {
  min-height: 64px;
  background: #7a2e22;
  color: #fff;
  border: 0;
  border-radius: 12px;
  font: inherit;
  font-weight: 650;
  cursor: pointer;
}
.card {
  background: #f8ebd6;
  color: #2b1a10;
  border-radius: 14px;
  padding: 18px 22px;
  align-self: start;
  font-size: 1.1rem;
}
.card .dim {
  color: #6a5442;
}
.dim {
  color: #e0b9ac;
}
.onward {
  min-height: 84px;
  width: 100%;
  border: 0;
  border-radius: 14px;
  background: #1f5c58;
  color: #fff;
  font: inherit;
  font-size: 1.5rem;
  cursor: pointer;
}
.onward:disabled {
  background: #40332c;
  color: #d8c9b8;
  cursor: not-allowed;
}
@media (max-width: 820px) {
  .stop {
    grid-template-columns: 1fr;
  }
}
</style>
