<script setup lang="ts">
import { productsOf, type BottleOnRecord } from '#core/record/bottles'
import type { RecordLine } from '#core/record/build'
import { countedWords } from '#core/record/countedWords'
import type { StepRow } from './StepTable.vue'

/** Planned against done, step by step. */
const props = defineProps<{ lines: readonly RecordLine[] }>()
const amount = ({ takenMl, plannedMl, lot }: BottleOnRecord) =>
  `${takenMl ?? plannedMl} mL${lot ? `, ${lot}` : ''}`
const seen = (line: RecordLine) => {
  const { confirmed } = line
  const said = confirmed ? `confirmed: ${confirmed.join('; ').toLowerCase()}` : ''
  return [countedWords(line), said].filter(Boolean)
}
const rows = computed(() =>
  props.lines.map((line): StepRow => {
    const { key, name, zones, plannedMinutes: planned, actualMinutes: took } = line
    const products = productsOf(line).map((own) => ({ name: own.name, amount: amount(own) }))
    return {
      key,
      name,
      seen: seen(line),
      zones,
      planned,
      took,
      products,
      different: line.deviation,
    }
  }),
)
</script>

<template>
  <StepTable :rows="rows" />
</template>
