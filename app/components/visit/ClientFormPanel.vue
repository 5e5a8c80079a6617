<script setup lang="ts">
import { HOME_STRENGTHS } from '#core/catalogue/home/nightRows'
import { WORK_ELSEWHERE_NAMES } from '#core/catalogue/consultation/elsewhere'
import { FINDINGS, FINDING_ORDER, type FindingId } from '#core/catalogue/consultation/findings'
import { listRegions, regionsTold } from '#core/face/regions'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { dayAndClock } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** The client's own form: a link to hand out, and what came back, taken line by line. */
const props = defineProps<{ answers: Answers; medicines: string }>()
const emit = defineEmits<{ take: [id: FindingId, answer: Answer]; medicines: [text: string] }>()
const visit = useVisit()
const other = computed(() => visit.bundle)
const link = ref('')
const until = ref(0)
const trouble = ref('')
async function make() {
  trouble.value = ''
  try {
    const made = (await visit.send('/link', 'POST', { id: crypto.randomUUID() })) as {
      token: string
      expiresAt: number
    }
    link.value = `${location.origin}/form#${made.token}`
    until.value = made.expiresAt
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const copy = async () => {
  try {
    await navigator.clipboard.writeText(link.value)
  } catch {
    /* the text can be selected */
  }
}
const form = computed(() => other.value?.fromClient ?? null)
const same = (finding: FindingId) =>
  JSON.stringify(props.answers[finding]) === JSON.stringify(form.value?.answers[finding])
const lines = computed(() =>
  FINDING_ORDER.flatMap((finding) => {
    const answers = form.value?.answers[finding]
    return answers && answers.say !== 'no' ? [{ f: finding, a: answers }] : []
  }),
)
const nos = computed(() =>
  FINDING_ORDER.filter(
    (finding) => form.value?.answers[finding]?.say === 'no' && !props.answers[finding],
  ),
)
const detail = (answer: Answer) =>
  [
    answer.say,
    answer.date,
    listRegions(regionsTold(answer.zones ?? [])),
    (answer.substances ?? []).join(', '),
    (answer.work ?? []).map((work) => WORK_ELSEWHERE_NAMES[work]).join(', '),
    answer.perWeek ? `${answer.perWeek} evenings a week` : '',
    answer.strength ? HOME_STRENGTHS[answer.strength].word : '',
  ]
    .filter(Boolean)
    .join(' · ')
const whatItIs = computed(() =>
  form.value && other.value
    ? `Sent in ${dayAndClock(form.value.at, other.value.practice.timeZone)}. ` +
      'Go through it together: each line counts once you accept it.'
    : "A one-time link for the client's own device. It shows nothing of the file.",
)
</script>

<template>
  <section v-if="other" class="panel stack">
    <div class="between">
      <div>
        <h2>The client's own form</h2>
        <p class="soft">
          {{ whatItIs }}
        </p>
      </div>
      <VBtn v-if="!form" variant="outlined" @click="make">{{
        link ? 'Make another' : 'Make a link'
      }}</VBtn>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-if="link && !form" class="row">
      <VTextField
        :model-value="link"
        label="The link, shown once"
        readonly
        hide-details
        density="compact"
        class="link"
        @focus="($event.target as HTMLInputElement).select()"
      /><VBtn variant="outlined" @click="copy">Copy</VBtn
      ><span class="soft"
        >works until {{ dayAndClock(until, other.practice.timeZone) }}, and once</span
      >
    </div>
    <template v-if="form">
      <ul class="plainlist">
        <li v-for="told in lines" :key="told.f" class="row line">
          <span class="what"
            ><b>{{ FINDINGS[told.f].short }}</b>
            <span class="soft">{{ detail(told.a) }}</span></span
          ><span v-if="same(told.f)" class="tag good">accepted</span
          ><VBtn
            v-else
            size="small"
            height="38"
            variant="outlined"
            @click="emit('take', told.f, told.a)"
            >Accept<span class="sr"> {{ FINDINGS[told.f].short }}</span></VBtn
          >
        </li>
      </ul>
      <details v-if="nos.length">
        <summary>{{ nos.length }} answered with no</summary>
        <ul class="plainlist">
          <li v-for="finding in nos" :key="finding" class="row line">
            <span class="what">{{ FINDINGS[finding].question }} <span class="soft">no</span></span
            ><VBtn
              size="small"
              height="38"
              variant="outlined"
              @click="emit('take', finding, { say: 'no' })"
              >Accept<span class="sr"> no to {{ FINDINGS[finding].short }}</span></VBtn
            >
          </li>
        </ul>
      </details>
      <div v-if="form.medicines" class="row line">
        <span class="what"
          ><b>medicines</b> <span class="soft">{{ form.medicines }}</span></span
        ><span v-if="medicines === form.medicines" class="tag good">accepted</span
        ><VBtn
          v-else
          size="small"
          height="38"
          variant="outlined"
          @click="emit('medicines', form.medicines)"
          >Accept<span class="sr"> medicines</span></VBtn
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.line {
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.what {
  flex: 1;
}
.link {
  flex: 1 1 320px;
}
p {
  margin: 0;
}
</style>
