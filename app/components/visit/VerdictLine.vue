<script setup lang="ts">
import { FAMILY_NAMES } from '#core/catalogue/kinds'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { FINDINGS } from '#core/catalogue/consultation/findings'
import { nameRegions } from '#core/face/regions'
import { REGION_IDS } from '#core/face/zones'
import { REACTED_RULE } from '#core/screening/products/reactions'
import type { Bar } from '#core/screening/verdict/verdict'
import { dayAndClock, isoDayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useSession } from '~/stores/session'
import { useVisit } from '~/stores/visit'

/**
 * One line of the verdict; opened, it says why and where it comes from, and lets a licensed person
 * set it aside with a reason.
 */
const props = defineProps<{ bar: Bar; disabled: boolean }>()
const visit = useVisit()
const session = useSession()
const LIFTS = {
  date: 'Ends on its date',
  therapist: 'A therapist may lift it',
  doctor: 'Only a doctor’s word lifts it',
  nobody: 'In force',
} as const
const where = computed(() =>
  props.bar.regions.length === REGION_IDS.length ? '' : ` · ${nameRegions(props.bar.regions)}`,
)
/** Only rows of the table are set aside: a rest runs out by its date, a reading is taken again. */
const mayTry = computed(
  () =>
    !props.disabled &&
    props.bar.ask === undefined &&
    (props.bar.lifts === 'therapist' || props.bar.lifts === 'doctor') &&
    session.me?.role !== 'trainee' &&
    (props.bar.rule === REACTED_RULE ||
      CONTRAINDICATIONS.some((row) => row.id === props.bar.rule && !row.visit)),
)
const until = computed(() => {
  const { until: day, untilAt } = props.bar
  const zone = visit.bundle?.practice.timeZone ?? 'UTC'
  return untilAt === undefined ? day && isoDayWords(day) : dayAndClock(untilAt, zone)
})
const called = computed(() => {
  if (props.bar.finding) return FINDINGS[props.bar.finding].short
  return props.bar.rule === REACTED_RULE ? 'reacted here' : 'earlier work'
})
const about = computed(() => {
  const families = props.bar.families.map((family) => FAMILY_NAMES[family]).join(', ')
  if (!families) return 'Concerns the whole visit'
  return `${props.bar.does === 'restricts' ? 'Concerns' : 'Stops'}: ${families}`
})
const asking = ref(false)
const reason = ref('')
const word = ref('')
const trouble = ref('')
async function aside() {
  trouble.value = ''
  try {
    await visit.send('/lifts', 'POST', {
      id: crypto.randomUUID(),
      rule: props.bar.rule,
      word: word.value,
      reason: reason.value,
    })
    asking.value = false
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <li class="bar">
    <details>
      <summary>
        <b>{{ called }}</b>{{ where }}<br />{{ bar.sentence
        }}<template v-if="until">
          <b class="figures">Until {{ until }}.</b></template
        >
        <span class="soft">{{ bar.reason }}</span>
      </summary>
      <p class="soft">{{ about }}. {{ LIFTS[bar.lifts] }}. Source: {{ bar.source }}.</p>
      <VBtn
        v-if="mayTry && !asking"
        size="small"
        height="38"
        variant="outlined"
        @click="asking = true"
        >Overridden for today<span class="sr">: {{ called }}</span></VBtn
      >
      <form v-if="asking" class="stack aside" novalidate @submit.prevent="aside">
        <VTextField
          v-if="bar.lifts === 'doctor'"
          v-model="word"
          label="Which doctor, and when"
          density="compact"
          :maxlength="200"
        />
        <VTextField
          v-model="reason"
          label="Reason for overriding"
          density="compact"
          :maxlength="300"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn size="small" height="38" color="secondary" type="submit"
            >Override under my name</VBtn
          ><VBtn size="small" height="38" variant="text" @click="asking = false">Cancel</VBtn>
        </div>
      </form>
    </details>
  </li>
</template>

<style scoped>
summary .soft {
  margin-inline-start: 0.3em;
}
.bar {
  border-left: 4px solid var(--clay);
  padding: 4px 0 4px 10px;
  margin: 6px 0;
}
p {
  margin: 4px 0;
}
.aside {
  padding: 8px 0;
}
</style>
