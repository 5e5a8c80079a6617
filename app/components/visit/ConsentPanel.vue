<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import type { Bar } from '#core/screening/verdict/verdict'
import { standingHere } from '#core/visit/ready'
import { useVisit } from '~/stores/visit'

/** Consent by kind of work: what stands, and what is signed anew. */
defineProps<{ bars: readonly Bar[] }>()
const visit = useVisit()
const again = ref(false)
const stands = computed(() => (visit.bundle ? standingHere(visit.bundle) : []))
const mayChange = computed(
  () => visit.bundle?.may.write === true && accepts(visit.bundle.visit.status, 'consent'),
)
</script>

<template>
  <section v-if="visit.bundle" class="panel stack">
    <h2>Consent</h2>
    <ConsentStanding
      v-if="stands.length && !again"
      :stands="stands"
      :may-change="mayChange"
      @again="again = true"
    />
    <ConsentSigning v-else-if="mayChange" :bars="bars" @signed="again = false" />
    <p v-else class="soft">Not signed.</p>
  </section>
</template>
