<script setup lang="ts">
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { changedProtocol, protocolMinutes } from '#core/planning/question/protocol'
import type { Protocol } from '#contracts/method'
import { dayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** The house's own protocols: each version kept, what it changed, and which are offered. */
const props = defineProps<{ protocols: readonly Protocol[]; mayRetire: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const trouble = ref('')
const shown = ref<Record<string, number>>({})
const at = (p: Protocol) =>
  p.versions.find((v) => v.version === (shown.value[p.id] ?? p.versions[0]?.version)) ??
  p.versions[0]
const before = (p: Protocol) => {
  const v = at(p)
  return p.versions.find((x) => x.version === (v?.version ?? 0) - 1)
}
/** What one version changed against the one before. */
function changes(p: Protocol): string {
  const now = at(p)?.steps ?? []
  const was = before(p)?.steps
  if (!was) return 'the first version'
  const name = (t: keyof typeof TECHNIQUES) => TECHNIQUES[t].name.replace(/ on$/, '').toLowerCase()
  const { added, gone, other } = changedProtocol(was, now)
  const parts = [
    ...added.map((x) => `new: ${name(x.technique)}`),
    ...gone.map((x) => `gone: ${name(x.technique)}`),
    ...other.map((x) => `${name(x.technique)} ${x.was} → ${x.is} min`),
  ]
  return parts.length > 0 ? parts.join(', ') : 'nothing but its note'
}
async function retire(id: string) {
  trouble.value = ''
  try {
    await api(`/api/protocols/${id}/retire`, { method: 'POST', body: {} })
    emit('changed')
  } catch (e) {
    trouble.value = sayProblem(e)
  }
}
const total = (p: Protocol) => protocolMinutes(at(p)?.steps ?? [])
const live = computed(() =>
  [...props.protocols].sort((a, b) => Number(a.retired) - Number(b.retired)),
)
function show(id: string, version: number) {
  shown.value = { ...shown.value, [id]: version }
}
</script>

<template>
  <div class="list">
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="!protocols.length" class="panel">
      No protocol kept yet. Plan a visit as you like it, then choose Protocols there and keep it: it
      is offered for every client from then on, and fitted to each skin.
    </p>
    <section v-for="p in live" :key="p.id" class="panel" :class="{ retired: p.retired }">
      <div class="between">
        <h2>{{ p.name }} <span v-if="p.retired" class="tag calm">no longer offered</span></h2>
        <div class="row">
          <VSelect
            v-if="p.versions.length > 1"
            :model-value="at(p)?.version"
            :items="p.versions.map((v) => ({ value: v.version, title: `Version ${v.version}` }))"
            :aria-label="`Version of ${p.name}`"
            density="compact"
            hide-details
            class="pick"
            @update:model-value="show(p.id, $event)"
          /><span v-else class="soft">version 1</span
          ><VBtn v-if="mayRetire && !p.retired" variant="text" size="small" @click="retire(p.id)"
            >Stop offering</VBtn
          >
        </div>
      </div>
      <p class="soft">
        {{ at(p)?.by }}, {{ dayWords(at(p)?.at ?? 0, 'UTC')
        }}{{ at(p)?.note ? `: ${at(p)?.note}` : '' }} · against the version before: {{ changes(p) }}
      </p>
      <ol class="steps figures">
        <li v-for="s in at(p)?.steps" :key="s.technique">
          {{ TECHNIQUES[s.technique].name.replace(/ on$/, '') }}
          <span class="soft">{{ s.minutes }}</span>
        </li>
      </ol>
      <p class="soft figures">
        about {{ total(p) }} min of main work; connecting steps come on top
      </p>
    </section>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 12px;
  margin-top: 12px;
  max-width: 980px;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
.steps li {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 3px 9px;
  background: var(--paper);
}
.pick {
  width: 140px;
}
p {
  margin: 2px 0;
}
.retired {
  opacity: 0.75;
}
</style>
