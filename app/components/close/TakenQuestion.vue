<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import type { VisitBundle } from '#core/visit/bundle'
import { useAttempt } from '~/composables/attempt'
import { useVisit } from '~/stores/visit'

/** How the client says the visit was taken: one tap, never taken from silence. */
const props = defineProps<{ bundle: VisitBundle }>()
const visit = useVisit()
const { trouble, busy, attempt } = useAttempt()
const may = computed(
  () => props.bundle.may.write && accepts(props.bundle.visit.status, 'wishes') && !busy.value,
)
const CHOICES = [
  ['well', 'Well'],
  ['badly', 'Too much'],
] as const
const tell = (taken: 'well' | 'badly') =>
  attempt(() => visit.change({ taken: props.bundle.visit.taken === taken ? null : taken }))
</script>

<template>
  <section class="panel noprint">
    <div class="between">
      <h2>How was it for the client?</h2>
      <div class="row" role="group" aria-label="How it was taken">
        <ToggleChip
          v-for="[value, word] in CHOICES"
          :key="value"
          :on="bundle.visit.taken === value"
          :disabled="!may"
          @click="tell(value)"
          >{{ word }}</ToggleChip
        >
      </div>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-else-if="bundle.visit.taken === null" class="soft">
      Not asked: the next plan learns nothing from it.
    </p>
  </section>
</template>
