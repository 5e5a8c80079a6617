<script setup lang="ts">
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { FINDINGS } from '#core/catalogue/consultation/findings'
import { loosens, words, type Tightening } from '#core/screening/verdict/houseRules'
import { dayAndClock } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/**
 * Rows of the table that this house works more strictly. Never looser: what would loosen a row is
 * said before it is sent.
 */
defineProps<{
  rules: {
    id: string
    rule: string
    change: Tightening
    reason: string
    by: string
    at: number
    ended: number | null
  }[]
  zone: string
}>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const rule = ref<string | null>(null)
const days = ref('')
const wholeFace = ref(false)
const steam = ref('')
const tolerance = ref('')
const reason = ref('')
const trouble = ref('')
const row = computed(() =>
  CONTRAINDICATIONS.find((contraindication) => contraindication.id === rule.value),
)
const name = (id: string) => {
  const contraindication = CONTRAINDICATIONS.find((other) => other.id === id)
  return contraindication
    ? `${FINDINGS[contraindication.finding].short}: ${contraindication.sentence}`
    : id
}
const items = CONTRAINDICATIONS.filter((contraindication) => !contraindication.visit).map(
  (contraindication) => ({
    value: contraindication.id,
    title: name(contraindication.id),
  }),
)
const whole = (text: string) => (text.trim() === '' ? undefined : Number(text))
const change = computed<Tightening>(() => {
  const limit = {
    ...(whole(steam.value) === undefined ? {} : { steamMost: whole(steam.value) }),
    ...(whole(tolerance.value) === undefined ? {} : { tolerancePercent: whole(tolerance.value) }),
  }
  return {
    ...(whole(days.value) === undefined ? {} : { days: whole(days.value) }),
    ...(wholeFace.value ? { wholeFace: true as const } : {}),
    ...(Object.keys(limit).length > 0 ? { limit } : {}),
  }
})
const wrong = computed(() => (row.value ? loosens(row.value, change.value) : undefined))
async function add() {
  trouble.value = ''
  try {
    await api('/api/house-rules', {
      method: 'POST',
      body: {
        id: crypto.randomUUID(),
        rule: rule.value,
        change: change.value,
        reason: reason.value,
      },
    })
    rule.value = null
    days.value = ''
    wholeFace.value = false
    steam.value = ''
    tolerance.value = ''
    reason.value = ''
    emit('changed')
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
async function end(id: string) {
  trouble.value = ''
  try {
    await api(`/api/house-rules/${id}/end`, { method: 'POST' })
    emit('changed')
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <section class="panel stack">
    <div>
      <h2>House rules</h2>
      <p class="soft">
        You can make rules stricter, not looser. A change counts from the moment it is saved.
      </p>
    </div>
    <ul class="plainlist">
      <li v-for="own in rules" :key="own.id" class="between line" :class="{ over: own.ended }">
        <span
          ><b>{{ words(own.change) }}</b> · {{ name(own.rule) }}<br /><span class="soft"
            >{{ own.reason }} · {{ own.by }}, {{ dayAndClock(own.at, zone)
            }}{{ own.ended ? `; ended ${dayAndClock(own.ended, zone)}` : '' }}</span
          ></span
        ><VBtn v-if="!own.ended" size="small" height="38" variant="outlined" @click="end(own.id)"
          >End rule<span class="sr">: {{ name(own.rule) }}</span></VBtn
        >
      </li>
    </ul>
    <VAutocomplete
      v-model="rule"
      :items="items"
      label="Make a rule stricter"
      density="compact"
      hide-details
      clearable
    />
    <form v-if="row" class="stack" novalidate @submit.prevent="add">
      <div class="row">
        <VTextField
          v-if="row.days !== undefined"
          v-model="days"
          type="number"
          :label="`Days, ${row.days} or more`"
          density="compact"
          hide-details
          class="num"
        /><VTextField
          v-model="steam"
          type="number"
          label="Steam at most, min"
          density="compact"
          hide-details
          class="num"
        /><VTextField
          v-model="tolerance"
          type="number"
          label="Tolerance at most, %"
          density="compact"
          hide-details
          class="num"
        />
      </div>
      <VCheckbox
        v-if="row.where !== 'whole'"
        v-model="wholeFace"
        label="On the whole face"
        density="compact"
        hide-details
      />
      <VTextField v-model="reason" label="Reason" density="compact" hide-details :maxlength="300" />
      <p v-if="wrong" class="tag watch">{{ wrong }}</p>
      <div>
        <VBtn
          color="secondary"
          type="submit"
          :disabled="wrong !== undefined || reason.trim() === ''"
          >Save this rule</VBtn
        >
      </div>
    </form>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.line {
  border-top: 1px solid var(--line);
  padding: 7px 0;
  flex-wrap: nowrap;
}
.over b {
  text-decoration: line-through;
  font-weight: 500;
}
.num {
  min-width: 150px;
  flex: 1;
}
p {
  margin: 0;
}
</style>
