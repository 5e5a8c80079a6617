<script setup lang="ts">
import { changedWords } from '#core/planning/steps/changed'
import { planHash } from '#core/record/planHash'
import { useAttempt } from '~/composables/attempt'
import { useVisit } from '~/stores/visit'

/** Plans that a trainee made in the room: a colleague looks at them before the record is sealed. */
const visit = useVisit()
const { trouble, busy, attempt } = useAttempt()
const unseen = computed(() => visit.bundle?.plans.filter((plan) => plan.unseen) ?? [])
/** Against the version before it, in words. */
function changesOf(version: number): readonly string[] {
  const stepsOf = (wanted: number) =>
    visit.bundle?.plans.find((plan) => plan.version === wanted)?.steps ?? []
  const lines = changedWords(stepsOf(version - 1), stepsOf(version))
  return lines.length > 0 ? lines : ['Nothing but waits and connecting steps changed.']
}
const may = computed(() => visit.bundle?.may.countersign === true)
const sign = (version: number) =>
  attempt(async () => {
    const plan = unseen.value.find((one) => one.version === version)
    if (!plan) return
    await visit.send('/countersign', 'POST', { version, hash: planHash(plan.steps) })
    await visit.reload()
  })
</script>

<template>
  <section v-if="unseen.length" class="panel stack noprint" aria-label="Plans to countersign">
    <h2>Made in the room by a trainee</h2>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-for="plan in unseen" :key="plan.version" class="between">
      <div>
        <p>
          <b>Version {{ plan.version }}</b
          >: {{ plan.reason }}
        </p>
        <ul>
          <li v-for="line in changesOf(plan.version)" :key="line">{{ line }}</li>
        </ul>
      </div>
      <VBtn v-if="may" color="secondary" :loading="busy" @click="sign(plan.version)"
        >Countersign version {{ plan.version }}</VBtn
      >
    </div>
    <p v-if="!may" class="soft">A colleague countersigns them before the record is sealed.</p>
  </section>
</template>
