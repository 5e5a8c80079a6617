<script setup lang="ts">
import { ROOM_NOTES, SKIP_REASONS, SWAP_REASONS } from '#core/catalogue/rules/stopRules'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { useRoom } from '~/stores/room'

/** The sheets from below: skip, swap, note, fit to the time. */
const props = defineProps<{
  sheet: string
  step: PlanStep
  /** Products that may stand in, by id. */
  swaps: readonly { value: string; word: string }[]
  /** Minutes left. */
  left: number
}>()
const emit = defineEmits<{ close: [] }>()
const room = useRoom()
const asChoices = (words: readonly string[]) => words.map((word) => ({ value: word, word }))
const skipTitle = computed(() => `Skip ${techniqueOf(props.step).name.toLowerCase()}, because`)
function skip(reason: string) {
  void room.tap({ kind: 'stepSkipped', key: props.step.key, reason })
  emit('close')
}
/** The bottle that was chosen, until it is said why. */
const chosen = ref('')
function swap(reason: string) {
  void room.tap({ kind: 'productSwapped', key: props.step.key, productId: chosen.value, reason })
  emit('close')
}
watch(
  () => props.sheet,
  () => {
    chosen.value = ''
  },
)
function note(text: string) {
  void room.tap({ kind: 'note', text })
  emit('close')
}
function planWhatIsLeft(minutes: number) {
  void room.replan('fit to the minutes left', minutes)
  emit('close')
}
</script>

<template>
  <ChoiceSheet
    v-if="sheet === 'skip'"
    label="Skip"
    :title="skipTitle"
    :choices="asChoices(SKIP_REASONS)"
    @choose="skip"
    @close="emit('close')"
  />
  <ChoiceSheet
    v-else-if="sheet === 'swap' && chosen === ''"
    label="Swap product"
    title="Use instead"
    :choices="swaps"
    @choose="(id) => (chosen = id)"
    @close="emit('close')"
  />
  <ChoiceSheet
    v-else-if="sheet === 'swap'"
    label="Reason"
    title="Because"
    :choices="asChoices(SWAP_REASONS)"
    @choose="swap"
    @close="emit('close')"
  />
  <ChoiceSheet
    v-else-if="sheet === 'notes'"
    label="Note"
    title="Note"
    :choices="asChoices(ROOM_NOTES)"
    @choose="note"
    @close="emit('close')"
  />
  <FitSheet
    v-else-if="sheet === 'fit'"
    :left="left"
    @plan="planWhatIsLeft"
    @close="emit('close')"
  />
</template>
