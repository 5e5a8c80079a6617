<script setup lang="ts">
import { OTHERWISE_REASONS } from '#core/catalogue/rules/stopRules'
import type { RecordLine } from '#core/record/build'
import type { VisitBundle } from '#core/visit/bundle'
import { useTapLine } from '~/composables/room/tapLine'

/**
 * Steps that went further than planned or allowed: one word why. Shown only where there are any, until
 * the record is sealed; what was said can still be changed.
 */
const props = defineProps<{ bundle: VisitBundle; lines: readonly RecordLine[] }>()
const taps = useTapLine(() => Math.max(1, ...props.bundle.plans.map(({ version }) => version)))
const asked = computed(() => props.lines.filter(({ asksWhy, saidWhy }) => asksWhy || saidWhy))
/** What was tapped here, shown at once. */
const tapped = ref<Readonly<Record<string, string>>>({})
const said = ({ key, saidWhy }: RecordLine) => tapped.value[key] ?? saidWhy
onMounted(taps.open)
onBeforeUnmount(taps.close)
async function say(key: string, reason: string) {
  tapped.value = { ...tapped.value, [key]: reason }
  await taps.tap({ kind: 'reasonGiven', key, reason })
}
</script>

<template>
  <section v-if="asked.length" class="panel noprint stack">
    <h2>Why was it different?</h2>
    <div v-for="line in asked" :key="line.key">
      <p>
        <b>{{ line.name }}</b><span v-if="line.deviation" class="soft">: {{ line.deviation }}</span>
      </p>
      <div class="row" role="group" :aria-label="`Why: ${line.name}`">
        <ToggleChip
          v-for="reason in OTHERWISE_REASONS"
          :key="reason"
          :on="said(line) === reason"
          @click="say(line.key, reason)"
          >{{ reason }}</ToggleChip
        >
      </div>
    </div>
    <p v-if="taps.trouble.value || taps.refused.value" role="alert" class="tag stop">
      {{ taps.trouble.value || taps.refused.value }}
    </p>
  </section>
</template>
