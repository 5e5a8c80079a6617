<script setup lang="ts">
import {
  FINDINGS,
  FINDING_ORDER,
  TOPIC_IDS,
  TOPIC_NAMES,
  type FindingId,
  type TopicId,
} from '#core/catalogue/consultation/findings'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { NOTHING_ASKED, type HomeAsked } from '#core/home/asked'
import { isProblem, sayProblem, useApi } from '~/composables/useApi'
import { keepBy } from '~/composables/keep'
import { useDraft } from '~/composables/useDraft'

/**
 * The client's own form. What opens it stands after the # of the address: it is never sent as part
 * of one.
 */
definePageMeta({ layout: 'bare' })
useHead({ title: 'Before your visit · Oak Basin', meta: [{ name: 'robots', content: 'noindex' }] })
const api = useApi()
const token = ref('')
const house = ref<{ practice: string; expiresAt: number; today: string } | null>(null)
const answers = ref<Answers>({})
const medicines = ref('')
/** What is used at home; sent along only where it was opened. */
const home = ref<HomeAsked | null>(null)
const trouble = ref('')
const sent = ref(false)
const busy = ref(false)
let draftKey = ''
const draft = useDraft({
  key: () => draftKey,
  value: () => ({ answers: answers.value, medicines: medicines.value, home: home.value }),
  restore: (kept) => {
    answers.value = kept.answers
    medicines.value = kept.medicines
    home.value = kept.home
  },
  open: () => !sent.value,
})
const of = (topic: TopicId) => FINDING_ORDER.filter((finding) => FINDINGS[finding].topic === topic)
/** Kept for this tab alone, so that a reload opens the form again; gone once it was sent. */
const TAB = 'form-link'
const asksOpen = ref(false)
const open = computed(() => FINDING_ORDER.filter((finding) => !answers.value[finding]).length)
const openWords = computed(() => {
  const all = FINDING_ORDER.length
  return open.value === 0
    ? `All ${all} questions answered.`
    : `${all - open.value} of ${all} questions answered.`
})
const set = (id: FindingId, answer: Answer) => {
  answers.value = { ...answers.value, [id]: answer }
}

onMounted(async () => {
  token.value = location.hash.slice(1) || (sessionStorage.getItem(TAB) ?? '')
  history.replaceState(history.state, '', '/form')
  const bytes = new Uint8Array(
    await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token.value)),
  )
  keepBy(token.value)
  draftKey = `form-${[...bytes.slice(0, 8)].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`
  try {
    house.value = await api('/api/form/open', { method: 'POST', body: { token: token.value } })
    sessionStorage.setItem(TAB, token.value)
  } catch (error) {
    trouble.value =
      isProblem(error) && error.status === 400
        ? 'This link no longer works. Ask the practice for a new one.'
        : sayProblem(error)
    if (isProblem(error) && error.status === 404) {
      sessionStorage.removeItem(TAB)
      await draft.drop()
    }
    return
  }
  await draft.start()
})
async function send() {
  if (open.value > 0 && !asksOpen.value) {
    asksOpen.value = true
    return
  }
  busy.value = true
  trouble.value = ''
  try {
    await api('/api/form/submit', {
      method: 'POST',
      body: {
        token: token.value,
        answers: answers.value,
        medicines: medicines.value,
        home: home.value,
      },
    })
    sent.value = true
    sessionStorage.removeItem(TAB)
    await draft.drop()
    answers.value = {}
    medicines.value = ''
    home.value = null
  } catch (error) {
    trouble.value = sayProblem(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="paper stack">
    <h1>Before your visit</h1>
    <template v-if="sent"
      ><p class="tag good">Thank you. It has reached the practice.</p>
      <p>Nothing is stored on this device. Your therapist goes through it with you.</p></template
    >
    <template v-else-if="house">
      <p class="soft">
        For {{ house.practice }}. Yes, no, or unsure: unsure is a good answer too. You can close
        this page and come back on this device.
      </p>
      <section v-for="topic in TOPIC_IDS" :key="topic" class="panel">
        <h2>{{ TOPIC_NAMES[topic] }}</h2>
        <ul class="plainlist">
          <QuestionRow
            v-for="asked in of(topic)"
            :key="asked"
            :finding="FINDINGS[asked]"
            :answer="answers[asked]"
            :before="undefined"
            :disabled="false"
            :today="house.today"
            @answer="(a: Answer) => set(asked, a)"
          />
        </ul>
      </section>
      <section class="panel">
        <h2>Medicines</h2>
        <VTextarea v-model="medicines" label="Medicines, in your own words" :maxlength="2000" />
      </section>
      <section class="panel stack">
        <h2>At home</h2>
        <HomeAskForm v-if="home" v-model="home" :answers="answers" :disabled="false" />
        <VBtn v-else variant="outlined" @click="home = NOTHING_ASKED">
          Say what you use at home
        </VBtn>
      </section>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p v-if="asksOpen && open" role="alert" class="tag watch">
        {{ openWords }} Your therapist will ask about the rest.
      </p>
      <p v-else class="soft">{{ openWords }}</p>
      <div>
        <VBtn color="primary" size="large" :loading="busy" @click="send">
          {{ asksOpen && open ? 'Send anyway' : 'Send to the practice' }}
        </VBtn>
      </div>
    </template>
    <p v-else-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-else class="soft">Opening…</p>
  </div>
</template>

<style scoped>
.paper {
  /* A thumb on a telephone, or a hand that is not steady. */
  --say-height: 44px;
  max-width: 760px;
  margin: 0 auto;
  padding: 24px 16px 60px;
  min-height: 100dvh;
}
p {
  margin: 0;
}
</style>
