<script setup lang="ts">
import type { Finding } from '#core/catalogue/consultation/findings'
import { startFrom, type Answer } from '#core/screening/asking/answers'

/** One question: no, yes or unsure in one tap; what was said last time beside it. */
const props = defineProps<{
  finding: Finding
  answer: Answer | undefined
  before: Answer | undefined
  disabled: boolean
  today: string
}>()
const emit = defineEmits<{ answer: [answer: Answer] }>()
const SAYS = [
  ['no', 'No'],
  ['yes', 'Yes'],
  ['unsure', 'Unsure'],
] as const
function say(word: Answer['say']) {
  const start = startFrom(props.before, props.finding.asks.includes('perWeek'))
  emit('answer', word === 'no' ? { say: word } : { ...start, ...props.answer, say: word })
}
const more = (patch: Partial<Answer>) => emit('answer', { say: 'yes', ...props.answer, ...patch })
const lastTime = computed(() => {
  if (!props.before) return ''
  if (props.answer)
    return props.before.say === props.answer.say ? '' : `was ${props.before.say} last time`
  return props.before.say === 'no' ? '' : `last time: ${props.before.say}`
})
const asksMore = computed(() => props.answer?.say === 'yes' && props.finding.asks.length > 0)
</script>

<template>
  <li class="q">
    <div class="line">
      <span :id="`q-${finding.id}`" class="ask">
        {{ finding.question }} <em v-if="lastTime" class="why">{{ lastTime }}</em>
      </span>
      <div class="says" role="radiogroup" :aria-labelledby="`q-${finding.id}`">
        <label v-for="[key, name] in SAYS" :key="key" :class="[key, { on: answer?.say === key }]"
          ><input
            type="radio"
            :name="finding.id"
            :value="key"
            :checked="answer?.say === key"
            :disabled="disabled"
            @change="say(key)"
          />{{ name }}</label
        >
      </div>
    </div>
    <QuestionMore
      v-if="answer && asksMore"
      :asks="finding.asks"
      :answer="answer"
      :disabled="disabled"
      :today="today"
      @more="more"
    />
  </li>
</template>

<style scoped>
.q {
  border-top: 1px solid var(--line);
  padding: 7px 0;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  align-items: center;
}
.says {
  display: flex;
  flex: none;
  border: 1.5px solid var(--oak-light);
  border-radius: 9px;
  overflow: hidden;
  background: var(--paper);
}
.says label {
  padding: 7px 14px;
  cursor: pointer;
  min-height: var(--say-height, 38px);
  display: flex;
  align-items: center;
}
.says label + label {
  border-left: 1px solid var(--line);
}
.says input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.says label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: -3px;
}
.says .on {
  font-weight: 700;
}
.says .on.no {
  background: var(--moss-pale);
}
.says .on.yes {
  background: var(--clay-pale);
}
.says .on.unsure {
  background: var(--amber-pale);
}
@media (pointer: coarse) {
  .says {
    --say-height: 44px;
  }
}
@media (max-width: 620px) {
  .line {
    flex-direction: column;
    align-items: flex-start;
    gap: 6px;
  }
}
</style>
