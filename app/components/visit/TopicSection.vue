<script setup lang="ts">
import { mdiChevronDown, mdiChevronUp } from '@mdi/js'
import {
  FINDINGS,
  TOPIC_NAMES,
  type FindingId,
  type TopicId,
} from '#core/catalogue/consultation/findings'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { openIn, questionsOf, sweepable } from '#core/screening/asking/asking'

/** One topic of the consultation: it folds once all is answered; what was not a no stays in sight. */
const props = defineProps<{
  topic: TopicId
  answers: Answers
  before: Answers | null
  open: boolean
  may: boolean
  today: string
}>()
const emit = defineEmits<{
  answer: [finding: FindingId, answer: Answer]
  sweep: []
  fold: []
}>()
const left = computed(() => openIn(props.topic, props.answers))
const count = computed(() => (left.value ? `${left.value} open` : 'all answered'))
const shown = computed(() =>
  questionsOf(props.topic).filter((id) => props.open || props.answers[id]?.say !== 'no'),
)
const maySweep = computed(
  () => props.may && sweepable(props.topic, props.answers, props.before).length > 0,
)
</script>

<template>
  <section class="panel">
    <div class="between">
      <h2>
        <VBtn
          variant="text"
          class="fold"
          :aria-expanded="open"
          :append-icon="open ? mdiChevronUp : mdiChevronDown"
          @click="emit('fold')"
          >{{ TOPIC_NAMES[topic] }}<span class="soft count">{{ count }}</span></VBtn
        >
      </h2>
      <VBtn v-if="maySweep" variant="outlined" size="small" height="36" @click="emit('sweep')">
        No to the rest
      </VBtn>
    </div>
    <ul v-if="shown.length" class="plainlist asked">
      <QuestionRow
        v-for="id in shown"
        :key="id"
        :finding="FINDINGS[id]"
        :answer="answers[id]"
        :before="before?.[id]"
        :disabled="!may"
        :today="today"
        @answer="(answer: Answer) => emit('answer', id, answer)"
      />
    </ul>
  </section>
</template>

<style scoped>
.asked {
  margin-top: 10px;
}
.fold {
  font: inherit;
  padding: 0 8px;
  margin-left: -4px;
}
@media (max-width: 600px) {
  .fold {
    height: auto;
    min-height: 44px;
    max-width: 100%;
    text-align: left;
  }
  .fold :deep(.v-btn__content) {
    white-space: normal;
  }
}
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
</style>
