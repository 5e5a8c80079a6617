<script setup lang="ts">
import { SIGNS, type SignId } from '#core/catalogue/rules/grading'
import { unanswered, type SignAnswers } from '#core/aftercare/grading'

/** The questions after a visit, large enough for a thumb; the client and whoever telephones see the same. */
const answers = defineModel<SignAnswers>({ required: true })
const emit = defineEmits<{ touched: [] }>()
const set = (id: SignId, value: string) => {
  answers.value = { ...answers.value, [id]: value }
  emit('touched')
}
/** What was answered stays in sight, and so does what is still to be. */
const asked = computed(() => {
  const open = unanswered(answers.value)
  return SIGNS.filter(({ id }) => open.includes(id) || answers.value[id] !== undefined)
})
</script>

<template>
  <div class="stack">
    <fieldset v-for="sign in asked" :key="sign.id">
      <legend>{{ sign.asks }}</legend>
      <div class="choices">
        <VBtn
          v-for="choice in sign.choices"
          :key="choice.value"
          class="choice"
          height="52"
          :variant="answers[sign.id] === choice.value ? 'flat' : 'outlined'"
          :color="answers[sign.id] === choice.value ? 'primary' : undefined"
          :aria-pressed="answers[sign.id] === choice.value"
          @click="set(sign.id, choice.value)"
          >{{ choice.word }}</VBtn
        >
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  font-size: 1.15rem;
  font-weight: 650;
  padding: 0 0 6px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.choice {
  font-size: 1.05rem;
  max-width: 100%;
}
.choice :deep(.v-btn__content) {
  white-space: normal;
}
</style>
