<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import {
  beyondTheEye,
  comparable,
  HALF_FEATURES,
  HALF_FEATURE_NAMES,
  scoreHalves,
  type HalfFeature,
  type Halves,
} from '#core/skin/halves'
import { SIDE_NAMES } from '#core/face/sides'
import { GRADES, type Grade } from '#core/skin/readings'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** One half worked, the other left: both graded before and after, under the same light. */
const props = defineProps<{ moment: 'before' | 'after' }>()
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'halves'),
)
const of = (moment: 'before' | 'after') =>
  bundle.value?.halves.filter((half) => half.moment === moment).at(-1)
const before = computed(() => of('before'))
const after = computed(() => of('after'))
const worked = ref<'L' | 'R'>(before.value?.worked ?? 'L')
const light = ref(before.value?.light ?? '')
const grades = ref<Halves>({ ...of(props.moment)?.grades })
const trouble = ref('')
function set(halfFeature: HalfFeature, side: 'L' | 'R', grade: Grade) {
  grades.value = {
    ...grades.value,
    [halfFeature]: {
      L: grades.value[halfFeature]?.L ?? grade,
      R: grades.value[halfFeature]?.R ?? grade,
      [side]: grade,
    },
  }
}
async function keep() {
  trouble.value = ''
  try {
    await visit.send('/halves', 'POST', {
      id: crypto.randomUUID(),
      moment: props.moment,
      worked: worked.value,
      light: light.value,
      grades: grades.value,
    })
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const scores = computed(() =>
  before.value && after.value
    ? scoreHalves(before.value.grades, after.value.grades, before.value.worked)
    : [],
)
const fair = computed(() => !before.value || !after.value || comparable(before.value, after.value))
const signed = (amount: number) => (amount > 0 ? `+${amount}` : amount < 0 ? `−${-amount}` : '0')
const SIDES = (['L', 'R'] as const).map((side) => [side, SIDE_NAMES[side]] as const)
const differenceWords = (difference: number) =>
  beyondTheEye(difference)
    ? `${signed(difference)} from the work`
    : 'no difference beyond reading error'
const gradeOf = (event: Event) => Number((event.target as HTMLSelectElement).value) as Grade
</script>

<template>
  <details v-if="bundle && (moment === 'before' || before)" class="panel">
    <summary>
      <b>Half against half</b>{{ ' ' }}
      <span class="soft">{{
        after ? 'compared' : before ? 'read before' : 'work one side, compare both'
      }}</span>
    </summary>
    <div class="stack mt-2">
      <VRadioGroup
        v-model="worked"
        inline
        hide-details
        density="compact"
        label="Worked half"
        :disabled="!may || moment === 'after'"
      >
        <VRadio
          v-for="[side, name] in SIDES"
          :key="side"
          :value="side"
          :label="`the client's ${name}`"
        />
      </VRadioGroup>
      <VTextField
        v-model="light"
        label="Light and position"
        placeholder="ring lamp, lying, from above"
        density="compact"
        hide-details
        :disabled="!may"
        :maxlength="120"
      />
      <VTable v-scrolls density="compact" class="plain">
        <thead>
          <tr>
            <th>{{ moment === 'before' ? 'Before' : 'After' }}</th>
            <th>Left</th>
            <th>Right</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="halfFeature in HALF_FEATURES" :key="halfFeature">
            <td>{{ HALF_FEATURE_NAMES[halfFeature] }}</td>
            <td v-for="[side, name] in SIDES" :key="side">
              <select
                :value="grades[halfFeature]?.[side] ?? ''"
                :aria-label="`${HALF_FEATURE_NAMES[halfFeature]}, ${name}`"
                :disabled="!may"
                @change="set(halfFeature, side, gradeOf($event))"
              >
                <option value="" disabled>–</option>
                <option v-for="grade in GRADES" :key="grade" :value="grade">{{ grade }}</option>
              </select>
            </td>
          </tr>
        </tbody>
      </VTable>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div v-if="may">
        <VBtn
          variant="outlined"
          :disabled="!light.trim() || !Object.keys(grades).length"
          @click="keep"
          >Save {{ moment === 'before' ? 'both halves before' : 'both halves after' }}</VBtn
        >
      </div>
      <template v-if="scores.length"
        ><p v-if="!fair" class="tag watch">The light was not the same: compare with care.</p>
        <ul class="plainlist figures">
          <li v-for="score in scores" :key="score.feature">
            {{ HALF_FEATURE_NAMES[score.feature] }}: worked {{ signed(score.worked) }}, other
            {{ signed(score.other) }} ·
            <b>{{ differenceWords(score.difference) }}</b>
          </li>
        </ul></template
      >
    </div>
  </details>
</template>

<style scoped>
p {
  margin: 0;
}
select {
  min-width: 56px;
  min-height: 36px;
  border: 1.5px solid var(--oak-light);
  border-radius: 7px;
  background: var(--chalk);
  color: var(--ink);
  padding: 4px 8px;
}
label {
  cursor: pointer;
  padding: 6px 0;
}
</style>
