<script setup lang="ts">
import { OUTCOMES } from '#core/catalogue/rules/grading'
import type { CheckIn } from '#contracts/replies/home'
import { unanswered, type SignAnswers } from '#core/aftercare/grading'
import { dayAndClock, isoDayWords } from '~/composables/dates'

/** What the client says in the days after the visit, and what the house did about it. */
defineProps<{
  checkIns: readonly CheckIn[]
  visitId: string
  zone: string
  today: string
  products: readonly { id: string; name: string }[]
  busy: boolean
}>()
const emit = defineEmits<{
  told: [checkInId: string, answers: SignAnswers]
  seenTo: [checkInId: string, note: string, suspected: string | null]
}>()
const telling = ref('')
const seeing = ref('')
const answers = ref<SignAnswers>({})
const note = ref('')
const suspected = ref<string | null>(null)
const all = computed(() => unanswered(answers.value).length === 0)
function tell(id: string) {
  telling.value = telling.value === id ? '' : id
  answers.value = {}
}
function see(id: string) {
  seeing.value = seeing.value === id ? '' : id
  note.value = ''
  suspected.value = null
}
function send(id: string) {
  emit('told', id, answers.value)
  telling.value = ''
}
function done(id: string) {
  emit('seenTo', id, note.value, suspected.value)
  seeing.value = ''
}
const tagOf = ({ outcome }: CheckIn) =>
  outcome === null ? '' : outcome === 'expected' ? 'good' : outcome === 'watch' ? 'watch' : 'stop'
</script>

<template>
  <ul class="plainlist">
    <li v-for="own in checkIns" :key="own.id" class="own">
      <div class="between">
        <b>{{ isoDayWords(own.dueOn) }}</b>
        <span v-if="own.outcome" class="tag" :class="tagOf(own)">{{
          OUTCOMES[own.outcome].word
        }}</span>
        <span v-else class="soft">{{ own.dueOn > today ? 'not yet' : 'no answer yet' }}</span>
      </div>
      <p v-if="own.answeredAt" class="soft">
        {{ dayAndClock(own.answeredAt, zone) }}{{ own.byTelephone ? ', by telephone' : '' }}
      </p>
      <p v-if="own.said.length">{{ own.said.join(' · ') }}</p>
      <a
        v-if="own.picture"
        :href="`/api/visits/${visitId}/answer-picture?photograph=${own.id}`"
        target="_blank"
        rel="noopener"
        >Their picture</a
      >
      <p v-if="own.done">
        <span class="soft">{{ dayAndClock(own.done.at, zone) }}, {{ own.done.by }}:</span>
        {{ own.done.note }}<span v-if="own.suspected"> Suspected: {{ own.suspected }}.</span>
      </p>
      <div v-else class="row">
        <VBtn
          v-if="!own.answeredAt && own.dueOn <= today"
          size="small"
          variant="outlined"
          :disabled="busy"
          @click="tell(own.id)"
          >Answered by telephone</VBtn
        >
        <VBtn
          v-if="own.answeredAt && own.outcome !== 'expected'"
          size="small"
          variant="outlined"
          :disabled="busy"
          @click="see(own.id)"
          >Seen to</VBtn
        >
      </div>
      <div v-if="telling === own.id" class="stack form">
        <SignForm v-model="answers" />
        <VBtn color="primary" :disabled="!all" @click="send(own.id)">Save what they said</VBtn>
      </div>
      <div v-if="seeing === own.id" class="stack form">
        <VTextarea
          v-model="note"
          label="What was advised or agreed"
          :maxlength="600"
          rows="2"
          hide-details
        />
        <VSelect
          v-model="suspected"
          :items="products"
          item-title="name"
          item-value="id"
          label="Suspected product, if any"
          clearable
          hide-details
        />
        <VBtn color="primary" :disabled="!note.trim()" @click="done(own.id)">Save</VBtn>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.own {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.form {
  margin-top: 8px;
}
</style>
