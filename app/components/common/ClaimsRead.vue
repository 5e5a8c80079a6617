<script setup lang="ts">
import { claimsIn, putRight, type Claim } from '#core/claims/claims'

/** Reads words that are meant for clients as they are typed: what nobody can promise is named. */
const text = defineModel<string>({ required: true })
const claims = computed(() => claimsIn(text.value))
const right = (claim: Claim) => {
  text.value = putRight(text.value, claim)
}
const GRADES = { false: 'Not true', doubtful: 'Doubtful' } as const
</script>

<template>
  <ul v-if="claims.length" class="plainlist" aria-live="polite">
    <li v-for="claim in claims" :key="claim.rule">
      <span class="tag" :class="claim.grade === 'false' ? 'stop' : 'watch'">{{
        GRADES[claim.grade]
      }}</span>
      “{{ claim.said }}”: {{ claim.why }}.
      <VBtn v-if="claim.rule !== 'percent'" size="small" variant="outlined" @click="right(claim)"
        >Say “{{ claim.instead }}”</VBtn
      >
      <span v-else class="soft">{{ claim.instead }}</span>
    </li>
  </ul>
</template>
