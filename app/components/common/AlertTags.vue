<script setup lang="ts">
import { alertsOf } from '#core/screening/verdict/alerts'
import type { PastReaction } from '#core/screening/products/reactions'
import type { Answers } from '#core/screening/asking/answers'

/** What stands beside a client's name, the same wherever it is shown. */
const props = defineProps<{ answers: Answers; reactions?: readonly PastReaction[] }>()
const alerts = computed(() => alertsOf(props.answers, props.reactions))
</script>

<template>
  <span v-for="alert in alerts" :key="alert.text" class="tag watch">{{ alert.text }}</span>
  <slot v-if="alerts.length === 0" />
</template>
