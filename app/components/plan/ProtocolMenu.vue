<script setup lang="ts">
import { howMany } from '#core/words'
import { asProtocol, protocolFor } from '#core/planning/question/protocol'
import { sayProblem, useApi } from '~/composables/useApi'
import { usePlan } from '~/stores/plan'
import { useVisit } from '~/stores/visit'

/**
 * Plans by a protocol of the house, or keeps today's plan as one: new, or as the next version of
 * another.
 */
const visit = useVisit()
const plan = usePlan()
const api = useApi()
const keeping = ref(false)
const trouble = ref('')
const form = reactive({ over: null as string | null, name: '', note: '' })
const offered = computed(() => visit.bundle?.protocols ?? [])
const minutes = computed(() => visit.bundle?.visit.minutes ?? 0)
/** One line for a pair: the length of the visit says which of the two is worked. */
const listed = computed(() =>
  offered.value
    .filter(({ expressOf }) => expressOf === null)
    .map((full) => ({ full, now: protocolFor(offered.value, full.id, minutes.value) ?? full })),
)
/** Before the id of a full protocol: the short one of it is saved. */
const EXPRESS = 'express of '
const steps = computed(() =>
  asProtocol(plan.steps, (key) => {
    const resting = plan.check?.trace.schedule.resting.find((item) => item.key === key)
    return resting && resting.end - resting.start
  }),
)
const mayKeep = computed(() => visit.bundle?.staff.role !== 'trainee')
function open() {
  form.over = plan.protocol?.id ?? null
  form.name = ''
  form.note = ''
  trouble.value = ''
  keeping.value = true
}
async function keep() {
  trouble.value = ''
  try {
    const old = offered.value.find((protocol) => protocol.id === form.over)
    const full = offered.value.find(({ id }) => `${EXPRESS}${id}` === form.over)
    if (old)
      await api(`/api/protocols/${old.id}/versions`, {
        method: 'POST',
        body: { version: old.version + 1, note: form.note, steps: steps.value },
      })
    else
      await api('/api/protocols', {
        method: 'POST',
        body: {
          id: crypto.randomUUID(),
          name: full ? `${full.name}, express` : form.name,
          expressOf: full?.id ?? null,
          note: form.note,
          steps: steps.value,
        },
      })
    keeping.value = false
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const places = computed(() => [
  { value: null, title: 'A new protocol' },
  ...offered.value.map((protocol) => ({
    value: protocol.id,
    title: `Version ${protocol.version + 1} of ${protocol.name}`,
  })),
  ...offered.value
    .filter(({ id, expressOf }) => expressOf === null && !hasExpress(id))
    .map(({ id, name }) => ({ value: `${EXPRESS}${id}`, title: `The express one of ${name}` })),
])
const hasExpress = (id: string) => offered.value.some(({ expressOf }) => expressOf === id)
</script>

<template>
  <VMenu>
    <template #activator="{ props }"
      ><VBtn v-bind="props" :disabled="plan.thinking" variant="outlined" height="40" class="px-3"
        >Protocols</VBtn
      ></template
    >
    <VList density="compact">
      <VListItem
        v-for="{ full, now } in listed"
        :key="full.id"
        :title="now.name"
        :subtitle="`version ${now.version}, ${howMany(now.steps.length, 'step')}`"
        @click="plan.propose(now)"
      />
      <VListItem v-if="!offered.length" title="None saved yet" disabled />
      <VListItem
        v-if="mayKeep && plan.steps.length"
        title="Save this plan as a protocol…"
        @click="open"
      />
    </VList>
  </VMenu>
  <VDialog v-model="keeping" max-width="520" aria-label="Save as a protocol">
    <VCard class="pa-5"
      ><h2>Save as a protocol of the practice</h2>
      <p class="soft">
        {{ steps.length }} main steps with their minutes. Zones, products and connecting steps
        follow from each client.
      </p>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <VSelect v-model="form.over" :items="places" label="Save as" />
      <VTextField v-if="form.over === null" v-model="form.name" label="Name" maxlength="60" />
      <VTextField v-model="form.note" label="What changed, or what it is for" maxlength="300" />
      <div class="row end">
        <VBtn variant="text" @click="keeping = false">Cancel</VBtn
        ><VBtn color="primary" :disabled="form.over === null && !form.name.trim()" @click="keep"
          >Save</VBtn
        >
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.end {
  justify-content: flex-end;
}
p {
  margin: 4px 0 10px;
}
</style>
