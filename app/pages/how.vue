<script setup lang="ts">
import type { HowOpened } from '#contracts/replies/home'
import type { OutcomeId } from '#core/catalogue/rules/grading'
import { unanswered, type SignAnswers } from '#core/aftercare/grading'
import { useAttempt } from '~/composables/attempt'
import { useLinkKey } from '~/composables/linkKey'
import { smallJpeg } from '~/composables/picture'
import { useApi } from '~/composables/useApi'

/** How the skin is some days after a visit: the client's own page, for a thumb on a small screen. */
definePageMeta({ layout: 'bare' })
useHead({ title: 'After your visit · Oak Basin', meta: [{ name: 'robots', content: 'noindex' }] })
const api = useApi()
const key = useLinkKey()
const { trouble, busy, attempt } = useAttempt()
const house = ref<HowOpened | null>(null)
const answers = ref<SignAnswers>({})
const jpeg = ref<string | null>(null)
const said = ref<{ outcome: OutcomeId; says: string } | null>(null)
watch(key, (token) => {
  if (token === null) return
  void attempt(async () => {
    house.value = await api<HowOpened>('/api/how/open', { method: 'POST', body: { token } })
  })
})
const open = computed(() => unanswered(answers.value).length)
const call = computed(() => `tel:${(house.value?.phone ?? '').replace(/[^+\d]/g, '')}`)
const emergencyCall = computed(() => `tel:${(house.value?.emergency ?? '').replace(/[^+\d]/g, '')}`)
const send = () =>
  attempt(async () => {
    said.value = await api('/api/how/submit', {
      method: 'POST',
      body: { token: key.value, answers: answers.value, jpeg: jpeg.value },
    })
  })
async function attach(files: File | File[] | null) {
  const [file] = files instanceof File ? [files] : (files ?? [])
  jpeg.value = file ? await smallJpeg(file) : null
}
</script>

<template>
  <div class="paper stack">
    <h1>How is your skin today?</h1>
    <template v-if="said && house">
      <p class="says" :class="said.outcome" role="status">{{ said.says }}</p>
      <p v-if="said.outcome === 'emergency'">
        <a class="big" :href="emergencyCall">Call {{ house.emergency }}</a>
      </p>
      <p v-if="house.phone">
        <a class="big" :href="call">Call {{ house.practice }}: {{ house.phone }}</a>
      </p>
    </template>
    <p v-else-if="house?.answered" class="says">
      You have answered already. Thank you. If anything changes, call {{ house.practice }}:
      {{ house.phone }}.
    </p>
    <template v-else-if="house">
      <p>
        {{ house.practice }} asks. Trouble breathing, or swollen lips or eyes: call
        <a :href="emergencyCall">{{ house.emergency }}</a> now, do not answer here.
      </p>
      <SignForm v-model="answers" />
      <VFileInput
        label="A picture, if you like"
        accept="image/*"
        hide-details
        @update:model-value="attach"
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <VBtn color="primary" size="x-large" block :disabled="open > 0" :loading="busy" @click="send">
        {{ open > 0 ? `Still ${open} to answer` : 'Send' }}
      </VBtn>
    </template>
    <p v-else-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-else class="soft">Opening…</p>
  </div>
</template>

<style scoped>
.paper {
  max-width: 640px;
  margin: 0 auto;
  padding: 20px 14px 60px;
  min-height: 100dvh;
  font-size: 1.1rem;
}
.says {
  font-size: 1.3rem;
  border-left: 6px solid var(--basin);
  padding: 6px 0 6px 14px;
}
.says.call,
.says.doctor,
.says.emergency {
  border-left-color: var(--berry);
}
.says.watch {
  border-left-color: var(--amber);
}
.big {
  font-size: 1.25rem;
  font-weight: 650;
}
</style>
