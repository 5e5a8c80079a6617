<script setup lang="ts">
import { POINTS, type PointId } from '#core/catalogue/schools/camps'
import {
  methodOf,
  outspoken,
  SCHOOL_IDS,
  SCHOOLS,
  type HousePolicy,
  type SchoolId,
} from '#core/catalogue/schools/schools'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { canPin } from '#core/catalogue/techniques/traits'
import type { PolicyLine } from '#contracts/method'
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
  (p) => {
    draft.camps = { ...p.camps }
    draft.without = [...p.without]
  },
)
const reason = ref('')
const trouble = ref('')
const schools = SCHOOL_IDS.map((s) => ({ value: s, title: SCHOOLS[s].name }))
const rows = computed(() =>
  POINTS.map((p) => ({
    point: p,
    a: methodOf(one.value).camps[p.id],
    b: methodOf(other.value).camps[p.id],
    differ: methodOf(one.value).camps[p.id].id !== methodOf(other.value).camps[p.id].id,
  })),
)
const choices = (id: PointId) => [
  { value: null, title: 'as the school has it' },
  ...(POINTS.find((p) => p.id === id)?.camps ?? []).map((c) => ({
    value: c.id,
    title: c.sentence,
  })),
]
const liked = (s: SchoolId, sign: 1 | -1) =>
  outspoken(methodOf(s), sign).map((t) => TECHNIQUES[t].name.replace(/ on$|,.*$/, '').toLowerCase())
const changed = computed(
  () =>
    JSON.stringify({ camps: clean(draft.camps), without: [...draft.without].sort() }) !==
    JSON.stringify({ camps: clean(props.policy.camps), without: [...props.policy.without].sort() }),
)
const clean = (c: Partial<Record<PointId, string | null>>) =>
  Object.fromEntries(
    POINTS.flatMap((p) => {
      const v = c[p.id]
      return v ? [[p.id, v]] : []
    }),
  )
const offered = TECHNIQUE_IDS.filter(canPin).map((t) => ({ value: t, title: TECHNIQUES[t].name }))
async function decide() {
  trouble.value = ''
  try {
    await api('/api/policy', {
      method: 'PUT',
      body: {
        id: crypto.randomUUID(),
        policy: { camps: clean(draft.camps), without: draft.without },
        reason: reason.value,
      },
    })
    reason.value = ''
    emit('changed')
  } catch (e) {
    trouble.value = sayProblem(e)
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
          Safety never depends on a school. Where practitioners differ, the house may decide; else
          each visit follows its school.
        </p>
      </div>
      <table class="plain points">
        <thead>
          <tr>
            <th>Point</th>
            <th>{{ SCHOOLS[one].name }}</th>
            <th>{{ SCHOOLS[other].name }}</th>
            <th>This house</th>
          </tr>
        </thead>
        <tbody>
          <tr class="lead">
            <td />
            <td>{{ SCHOOLS[one].sentence }}</td>
            <td>{{ SCHOOLS[other].sentence }}</td>
            <td />
          </tr>
          <tr v-for="r in rows" :key="r.point.id" :class="{ differ: r.differ }">
            <td>
              <b>{{ r.point.title }}</b>
            </td>
            <td>
              {{ r.a.sentence }} <span class="why">{{ r.a.reason }}</span>
            </td>
            <td>
              <template v-if="r.differ"
                >{{ r.b.sentence }} <span class="why">{{ r.b.reason }}</span></template
              ><span v-else class="soft">the same</span>
            </td>
            <td class="own">
              <VSelect
                v-if="mayDecide"
                v-model="draft.camps[r.point.id]"
                :items="choices(r.point.id)"
                :aria-label="`This house on ${r.point.title.toLowerCase()}`"
                density="compact"
                hide-details
                placeholder="as the school has it"
              /><template v-else>{{
                r.point.camps.find((c) => c.id === policy.camps[r.point.id])?.sentence ??
                'as the school has it'
              }}</template>
            </td>
          </tr>
          <tr>
            <td><b>Likes</b></td>
            <td>{{ liked(one, 1).join(', ') }}</td>
            <td>{{ liked(other, 1).join(', ') }}</td>
            <td />
          </tr>
          <tr>
            <td><b>Avoids</b></td>
            <td>{{ liked(one, -1).join(', ') || 'nothing' }}</td>
            <td>{{ liked(other, -1).join(', ') || 'nothing' }}</td>
            <td />
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="mayDecide" class="panel decide">
      <h2>Not offered in this house</h2>
      <VAutocomplete
        v-model="draft.without"
        :items="offered"
        multiple
        chips
        closable-chips
        label="Techniques left out everywhere"
        density="compact"
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div class="row">
        <VTextField
          v-model="reason"
          label="Why: kept with your name"
          maxlength="300"
          density="compact"
          class="grow"
        /><VBtn color="primary" :disabled="!changed || !reason.trim()" @click="decide"
          >Decide for the house</VBtn
        >
      </div>
    </section>
    <section v-if="history.length" class="panel">
      <h2>Decided so far</h2>
      <ul class="plainlist">
        <li v-for="h in history" :key="h.at">
          <b>{{ dayWords(h.at, 'UTC') }}</b> {{ h.by }}: {{ h.reason }}
          <span class="soft"
            >({{
              [
                ...Object.entries(h.policy.camps).map(
                  ([p, c]) =>
                    POINTS.find((x) => x.id === p)
                      ?.camps.find((x) => x.id === c)
                      ?.sentence.replace(/\.$/, '') ?? '',
                ),
                ...h.policy.without.map((t) => `no ${TECHNIQUES[t].name.toLowerCase()}`),
              ].join('; ') || 'nothing of its own'
            }})</span
          >
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
  max-width: 200px;
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
