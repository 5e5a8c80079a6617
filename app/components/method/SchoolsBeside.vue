<script setup lang="ts">
import { POINTS, type PointId } from '#core/catalogue/schools/camps'
import {
  AS_THE_SCHOOL,
  cleanCamps,
  decidedOn,
  methodOf,
  outspoken,
  policyWords,
  samePolicy,
  SCHOOL_IDS,
  SCHOOLS,
  type HousePolicy,
  type SchoolId,
} from '#core/catalogue/schools/schools'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { canPin, shortName } from '#core/catalogue/techniques/traits'
import type { PolicyLine } from '#contracts/replies/method'
import { dayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** Two schools point by point, what the house decides on each, and what it does not offer. */
const props = defineProps<{
  policy: HousePolicy
  history: readonly PolicyLine[]
  mayDecide: boolean
}>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const one = ref<SchoolId>('warmCloth')
const other = ref<SchoolId>('brightLamp')
const draft = reactive<{ camps: Partial<Record<PointId, string>>; without: TechniqueId[] }>({
  camps: { ...props.policy.camps },
  without: [...props.policy.without],
})
watch(
  () => props.policy,
  (point) => {
    draft.camps = { ...point.camps }
    draft.without = [...point.without]
  },
)
const reason = ref('')
const trouble = ref('')
const schools = SCHOOL_IDS.map((id) => ({ value: id, title: SCHOOLS[id].name }))
const rows = computed(() => {
  const [first, second] = [methodOf(one.value).camps, methodOf(other.value).camps]
  return POINTS.map((point) => ({
    point,
    choices: [
      { value: null, title: AS_THE_SCHOOL },
      ...point.camps.map((camp) => ({ value: camp.id, title: camp.sentence })),
    ],
    first: first[point.id],
    second: second[point.id],
    differ: first[point.id].id !== second[point.id].id,
  }))
})
const liked = (school: SchoolId, sign: 1 | -1) =>
  outspoken(methodOf(school), sign)
    .map((id) => shortName(id).toLowerCase())
    .join(', ') || 'nothing'
const changed = computed(() => !samePolicy(draft, props.policy))
const offered = TECHNIQUE_IDS.filter(canPin).map((id) => ({
  value: id,
  title: TECHNIQUES[id].name,
}))
async function decide() {
  trouble.value = ''
  const policy = { camps: cleanCamps(draft.camps), without: draft.without }
  const body = { id: crypto.randomUUID(), policy, reason: reason.value }
  try {
    await api('/api/policy', { method: 'PUT', body })
    reason.value = ''
    emit('changed')
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <div class="beside">
    <section class="panel">
      <div class="row tools">
        <VSelect
          v-model="one"
          :items="schools"
          label="One school"
          density="compact"
          class="pick"
        /><VSelect
          v-model="other"
          :items="schools"
          label="The other"
          density="compact"
          class="pick"
        />
        <p class="soft">
          Safety never depends on a school. Where practitioners differ, the practice may decide;
          else each visit follows its school.
        </p>
      </div>
      <VTable v-scrolls density="compact" class="plain points">
        <thead>
          <tr>
            <th>Point</th>
            <th>{{ SCHOOLS[one].name }}</th>
            <th>{{ SCHOOLS[other].name }}</th>
            <th>This practice</th>
          </tr>
        </thead>
        <tbody>
          <tr class="lead">
            <td />
            <td>{{ SCHOOLS[one].sentence }}</td>
            <td>{{ SCHOOLS[other].sentence }}</td>
            <td />
          </tr>
          <tr v-for="row in rows" :key="row.point.id" :class="{ differ: row.differ }">
            <td>
              <b>{{ row.point.title }}</b>
            </td>
            <td>
              {{ row.first.sentence }} <span class="why">{{ row.first.reason }}</span>
            </td>
            <td>
              <template v-if="row.differ"
                >{{ row.second.sentence }}
                <span class="why">{{ row.second.reason }}</span></template
              ><span v-else class="soft">the same</span>
            </td>
            <td class="own">
              <VSelect
                v-if="mayDecide"
                v-model="draft.camps[row.point.id]"
                :items="row.choices"
                :aria-label="`This practice on ${row.point.title.toLowerCase()}`"
                density="compact"
                hide-details
                placeholder="as the school does it"
              /><template v-else>{{ decidedOn(policy, row.point.id) }}</template>
            </td>
          </tr>
          <tr>
            <td><b>Likes</b></td>
            <td>{{ liked(one, 1) }}</td>
            <td>{{ liked(other, 1) }}</td>
            <td />
          </tr>
          <tr>
            <td><b>Avoids</b></td>
            <td>{{ liked(one, -1) }}</td>
            <td>{{ liked(other, -1) }}</td>
            <td />
          </tr>
        </tbody>
      </VTable>
    </section>
    <section v-if="mayDecide" class="panel decide">
      <h2>Not offered here</h2>
      <VAutocomplete
        v-model="draft.without"
        :items="offered"
        multiple
        chips
        closable-chips
        label="Techniques not offered here"
        density="compact"
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div class="row">
        <VTextField
          v-model="reason"
          label="Reason (saved under your name)"
          maxlength="300"
          density="compact"
          class="grow"
        /><VBtn color="primary" :disabled="!changed || !reason.trim()" @click="decide"
          >Save for the practice</VBtn
        >
      </div>
    </section>
    <section v-if="history.length" class="panel">
      <h2>Decided so far</h2>
      <ul class="plainlist">
        <li v-for="line in history" :key="line.at">
          <b>{{ dayWords(line.at, 'UTC') }}</b> {{ line.by }}: {{ line.reason }}
          <span class="soft">({{ policyWords(line.policy) }})</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.beside {
  display: flex;
  flex-direction: column;
  gap: 14px;
  margin-top: 12px;
}
.tools {
  gap: 12px;
  align-items: center;
  margin-bottom: 8px;
  flex-wrap: nowrap;
}
.tools p {
  margin: 0;
}
.pick {
  flex: 0 0 190px;
}
.points td {
  vertical-align: top;
  font-size: 0.9375rem;
}
.points td:first-child {
  width: 150px;
}
.own {
  width: 260px;
}
.lead td {
  font-family: var(--serif);
}
.differ td:first-child {
  box-shadow: inset 4px 0 0 var(--basin);
}
.decide {
  max-width: 900px;
}
.grow {
  flex: 1;
}
h2 {
  margin-bottom: 8px;
}
@media (max-width: 900px) {
  .tools {
    flex-wrap: wrap;
  }
  .own {
    width: 180px;
  }
}
</style>
