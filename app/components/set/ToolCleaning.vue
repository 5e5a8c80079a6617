<script setup lang="ts">
import type { ToolsPage } from '#contracts/replies/tools'
import { TOOLS } from '#core/catalogue/techniques/tools'
import { possible, standingWords, type CleaningStep } from '#core/hygiene/tools'
import { fromMilliseconds, toMilliseconds } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { clock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** One tool: where its pieces are, and the next thing to do with one of them. */
const props = defineProps<{ tool: ToolsPage['tools'][number]; now: number; zone: string }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const row = computed(() => TOOLS[props.tool.tool])
const out = computed(() => possible(props.tool, 'ready', props.now))
/** The batch that comes out next, while it must stay in. */
const wet = computed(() => props.tool.soaking.find(({ until }) => until > props.now))
const left = computed(() =>
  wet.value ? Math.ceil(fromMilliseconds(wet.value.until - props.now)) : 0,
)
const put = (step: CleaningStep, pieces: number, at?: number) =>
  api('/api/cleanings', {
    method: 'POST',
    body: {
      id: crypto.randomUUID(),
      tool: props.tool.tool,
      step,
      pieces,
      ...(at === undefined ? {} : { at: new Date(at).toISOString() }),
    },
  })
const tap = (step: CleaningStep, pieces: number) =>
  attempt(async () => {
    await put(step, pieces)
    emit('changed')
  })
/** Done already without a tap: washed, and wet for its whole time until now. */
const doneAlready = () =>
  attempt(async () => {
    const pieces = props.tool.used
    const into = props.now - toMilliseconds(props.tool.contactMinutes)
    await put('washed', pieces, into)
    await put('soaking', pieces, into)
    await put('ready', pieces)
    emit('changed')
  })
const wear = computed(() => props.tool.wear)
const wearWords = computed(() =>
  wear.value ? `${wear.value.part}: ${wear.value.uses} of ${wear.value.after} visits` : '',
)
const isDue = computed(() => wear.value !== null && wear.value.uses >= wear.value.after)
const several = (pieces: number) => (pieces > 1 ? `${pieces} pieces ` : '')
</script>

<template>
  <div class="tool">
    <div class="between">
      <span
        ><b class="cap">{{ row.name }}</b
        ><br /><span class="soft figures">{{ standingWords(tool) }}</span></span
      >
      <span class="row">
        <VBtn v-if="tool.used" variant="outlined" :loading="busy" @click="tap('washed', tool.used)"
          >{{ several(tool.used) }}washed</VBtn
        >
        <VBtn
          v-if="tool.washed"
          variant="outlined"
          :loading="busy"
          @click="tap('soaking', tool.washed)"
          >{{ several(tool.washed) }}in the disinfectant</VBtn
        >
        <VBtn v-if="out" color="primary" :loading="busy" @click="tap('ready', out)"
          >{{ several(out) }}dried, ready</VBtn
        >
        <span v-else-if="wet" class="figures" role="timer"
          ><b>{{ left }} min</b> wet, until {{ clock(wet.until, zone) }}</span
        >
        <slot />
      </span>
    </div>
    <p v-if="tool.used" class="soft how">Wash: {{ row.wash }}.</p>
    <p v-else-if="tool.washed" class="soft how">
      Disinfect: {{ row.disinfect }}, {{ tool.contactMinutes }} min.
    </p>
    <VBtn v-if="tool.used" size="small" variant="text" :disabled="busy" @click="doneAlready"
      >It was cleaned already, {{ tool.contactMinutes }} min wet</VBtn
    >
    <p v-if="wear" class="row how">
      <span class="figures" :class="isDue ? 'tag stop' : 'soft'">{{ wearWords }}</span>
      <VBtn v-if="wear.uses" size="small" variant="text" :loading="busy" @click="tap('changed', 1)"
        >{{ wear.part }} changed</VBtn
      >
    </p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.tool {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.cap {
  display: inline-block;
}
.cap::first-letter {
  text-transform: uppercase;
}
.how {
  font-size: 0.875rem;
}
</style>
