<script setup lang="ts">
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { changedProtocol, protocolMinutes } from '#core/planning/question/protocol'
import type { Protocol } from '#contracts/replies/method'
import { dayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** The house's own protocols: each version kept, what it changed, and which are offered. */
const props = defineProps<{ protocols: readonly Protocol[]; mayRetire: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const trouble = ref('')
const shown = ref<Record<string, number>>({})
const at = (protocol: Protocol) =>
  protocol.versions.find(
    (version) => version.version === (shown.value[protocol.id] ?? protocol.versions[0]?.version),
  ) ?? protocol.versions[0]
const before = (protocol: Protocol) => {
  const keptAt = at(protocol)
  return protocol.versions.find((version) => version.version === (keptAt?.version ?? 0) - 1)
}
/** What one version changed against the one before. */
function changes(protocol: Protocol): string {
  const now = at(protocol)?.steps ?? []
  const was = before(protocol)?.steps
  if (!was) return 'the first version'
  const name = (technique: keyof typeof TECHNIQUES) =>
    TECHNIQUES[technique].name.replace(/ on$/, '').toLowerCase()
  const { added, gone, other } = changedProtocol(was, now)
  const parts = [
    ...added.map((item) => `new: ${name(item.technique)}`),
    ...gone.map((item) => `gone: ${name(item.technique)}`),
    ...other.map((item) => `${name(item.technique)} ${item.was} → ${item.is} min`),
  ]
  return parts.length > 0 ? parts.join(', ') : 'only its note'
}
async function retire(id: string) {
  trouble.value = ''
  try {
    await api(`/api/protocols/${id}/retire`, { method: 'POST', body: {} })
    emit('changed')
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const total = (protocol: Protocol) => protocolMinutes(at(protocol)?.steps ?? [])
const live = computed(() =>
  [...props.protocols].sort((one, other) => Number(one.retired) - Number(other.retired)),
)
function show(id: string, version: number) {
  shown.value = { ...shown.value, [id]: version }
}
</script>

<template>
  <div class="list">
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="!protocols.length" class="panel">
      No protocol saved yet. Plan a visit, then choose Protocols there and save it. It is then
      offered for every client and fitted to each skin.
    </p>
    <section
      v-for="protocol in live"
      :key="protocol.id"
      class="panel"
      :class="{ retired: protocol.retired }"
    >
      <div class="between">
        <h2>
          {{ protocol.name }}
          <span v-if="protocol.retired" class="tag calm">no longer offered</span>
        </h2>
        <div class="row">
          <VSelect
            v-if="protocol.versions.length > 1"
            :model-value="at(protocol)?.version"
            :items="
              protocol.versions.map((v) => ({ value: v.version, title: `Version ${v.version}` }))
            "
            :aria-label="`Version of ${protocol.name}`"
            density="compact"
            hide-details
            class="pick"
            @update:model-value="show(protocol.id, $event)"
          /><span v-else class="soft">version 1</span
          ><VBtn
            v-if="mayRetire && !protocol.retired"
            variant="text"
            size="small"
            @click="retire(protocol.id)"
            >Stop offering</VBtn
          >
        </div>
      </div>
      <p class="soft">
        {{ at(protocol)?.by }}, {{ dayWords(at(protocol)?.at ?? 0, 'UTC')
        }}{{ at(protocol)?.note ? `: ${at(protocol)?.note}` : '' }} · changes since the version
        before:
        {{ changes(protocol) }}
      </p>
      <ol class="steps figures">
        <li v-for="step in at(protocol)?.steps" :key="step.technique">
          {{ techniqueOf(step).name.replace(/ on$/, '') }}
          <span class="soft">{{ step.minutes }}</span>
        </li>
      </ol>
      <p class="soft figures">
        about {{ total(protocol) }} min of main work; connecting steps come on top
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
