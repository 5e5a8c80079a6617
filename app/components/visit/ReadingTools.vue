<script setup lang="ts">
import { OBSERVATIONS, type ObservationId } from '#core/skin/observations'
import {
  GRADES,
  GRADE_WORDS,
  MORE_READING_IDS,
  READING_IDS,
  READING_NAMES,
  type AnyReadingId,
  type Grade,
} from '#core/skin/readings'
import { gradeColour } from '~/composables/grades'

/** What is in the hand: a reading and its grade, or a word. */
const props = defineProps<{
  unread: (reading: AnyReadingId) => number
  may: boolean
  hasLast: boolean
}>()
const emit = defineEmits<{ all: []; last: [] }>()
const reading = defineModel<AnyReadingId>('reading', { required: true })
const brush = defineModel<Grade>('brush', { required: true })
const noticing = defineModel<ObservationId | null>('noticing', { required: true })
const open = (id: AnyReadingId) => {
  const count = props.unread(id)
  return count ? `${count} open` : 'all'
}
const toggle = (id: ObservationId) => {
  noticing.value = noticing.value === id ? null : id
}
</script>

<template>
  <h2>Choose what to assess, then tap or drag</h2>
  <div class="whats" role="radiogroup" aria-label="What to read">
    <label v-for="id in READING_IDS" :key="id" :class="{ on: reading === id }"
      ><input v-model="reading" type="radio" name="reading" :value="id" /><b>{{
        READING_NAMES[id]
      }}</b
      ><span class="soft small">{{ open(id) }}<span class="sr"> zones</span></span></label
    >
  </div>
  <div class="mores" role="radiogroup" aria-label="Where there is something to see">
    <label v-for="id in MORE_READING_IDS" :key="id" :class="{ on: reading === id }"
      ><input v-model="reading" type="radio" name="reading" :value="id" />{{
        READING_NAMES[id]
      }}</label
    >
  </div>
  <div class="grades" role="radiogroup" aria-label="Grade">
    <label
      v-for="grade in GRADES"
      :key="grade"
      :class="{ on: brush === grade && !noticing }"
      :style="{ '--tone': gradeColour(reading, grade) }"
      ><input
        v-model="brush"
        type="radio"
        name="grade"
        :value="grade"
        @change="noticing = null"
      /><b class="figures">{{ grade }}</b> {{ GRADE_WORDS[reading][grade] }}</label
    >
  </div>
  <p v-if="reading === 'redness'" class="soft small">
    Clinician's erythema scale, Tan et al. 2014.
  </p>
  <VBtn variant="outlined" height="38" :disabled="!may" @click="emit('all')">
    Grade {{ brush }} on every open zone
  </VBtn>
  <VBtn v-if="hasLast && may" variant="outlined" height="38" @click="emit('last')">
    Start from last time
  </VBtn>
  <div class="notice" role="group" aria-label="Noticed: tap a word, then the zone">
    <span class="soft small">Noticed? Tap a word, then the zone.</span>
    <ToggleChip
      v-for="own in OBSERVATIONS"
      :key="own.id"
      :on="noticing === own.id"
      :disabled="!may"
      @click="toggle(own.id)"
      >{{ own.words }}</ToggleChip
    >
  </div>
</template>

<style scoped>
.small {
  font-size: 0.875rem;
}
.grades {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.whats {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 4px;
}
label {
  cursor: pointer;
}
input {
  position: absolute;
  opacity: 0;
}
.whats label,
.grades label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border: 1.5px solid var(--line);
  background: var(--paper);
  border-radius: 9px;
  padding: 4px 10px;
  min-height: 40px;
  gap: 6px;
}
.whats .on {
  border-color: var(--basin);
  background: var(--basin-pale);
}
.grades label {
  justify-content: flex-start;
  gap: 12px;
  border-left: 14px solid var(--tone);
}
.grades .on {
  border-color: var(--basin);
  border-left-color: var(--tone);
  font-weight: 700;
}
label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: 1px;
}
p {
  margin: 4px 0;
}
.mores,
.notice {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
}
.mores label {
  border: 1.5px solid var(--line);
  background: var(--paper);
  border-radius: 16px;
  padding: 4px 9px;
  min-height: 36px;
  display: inline-flex;
  align-items: center;
  color: var(--ink);
  cursor: pointer;
  font-size: 0.875rem;
}
.mores .on {
  border-color: var(--basin);
  background: var(--basin-pale);
  font-weight: 700;
}
.notice .small {
  flex: 1 1 100%;
}
/* A grade is known by its colour on the face: it keeps it where a theme sets all others. */
@media (forced-colors: active) {
  .grades label {
    forced-color-adjust: none;
    background: Canvas;
    color: CanvasText;
    border-color: CanvasText;
    border-left-color: var(--tone);
  }
  label.on {
    outline: 3px solid Highlight;
    outline-offset: -3px;
  }
}
</style>
