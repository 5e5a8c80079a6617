<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { describeMeasures } from '#core/dosing/amount'
import { useAmount } from '~/composables/room/amount'

/** With what and how much: as planned, unless one measure more or less is tapped. */
const props = defineProps<{ step: PlanStep }>()
const { item, planned, taken, words, beside, along, mix, turn } = useAmount(() => props.step)
const unlike = computed(() => (taken.value ? `, ${planned.value?.words ?? ''} planned` : ''))
</script>

<template>
  <div v-if="item" class="row amount">
    <span
      >{{ item.product.name }}, <b>{{ words }}</b><span class="dim">{{ unlike }}</span
      ><span v-for="said in beside" :key="said" class="dim said">{{ said }}</span></span
    >
    <RoomButton square :aria-label="`Less of ${item.product.name}`" @click="turn(-1)">−</RoomButton>
    <RoomButton square :aria-label="`More of ${item.product.name}`" @click="turn(1)">+</RoomButton>
  </div>
  <div v-if="mix" class="mix" role="note" aria-label="Mix">
    Mix <b>{{ describeMeasures(mix.powder, 'scoop') }} powder</b> with
    <template v-for="(part, at) in mix.parts" :key="part.name"
      ><template v-if="at">, </template><b>{{ part.words }} {{ part.name }}</b></template
    >: {{ mix.words }}. Workable {{ mix.workingMinutes }} min; {{ mix.keeps }}.
    <template v-if="mix.driftPercent">Up to {{ mix.driftPercent }} % off by rounding.</template>
    <div v-for="trouble in mix.troubles" :key="trouble">{{ trouble }}</div>
  </div>
  <div v-for="{ product, amount } in along" :key="product.id" class="amount">
    {{ product.name }}, <b>{{ amount.words }}</b>
  </div>
</template>

<style scoped>
.amount {
  gap: 8px 12px;
  flex-wrap: nowrap;
}
.mix {
  border-left: 3px solid var(--brass);
  padding-left: 10px;
}
.dim {
  color: var(--candle-dim);
}
.said {
  display: block;
}
@media (max-height: 820px) and (min-width: 1001px) {
  .said {
    font-size: 0.9rem;
    line-height: 1.2;
  }
}
</style>
