<script setup lang="ts">
import type { Double } from '#contracts/replies/clientFile'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A client with everything, as this house or another one has taken them out. */
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
/** Somebody of that name is here already: taken in only when that is said. */
const known = ref<{ words: string; text: string } | null>(null)
interface Told {
  client?: { name?: unknown; born?: unknown; phone?: unknown }
}
const word = (value: unknown) => (typeof value === 'string' ? value : '')

async function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const chosen = field.files?.[0]
  field.value = ''
  if (!chosen) return
  const text = await chosen.text()
  await attempt(async () => {
    known.value = await alreadyHere(text)
    if (!known.value) await take(text)
  })
}
async function alreadyHere(text: string) {
  const { client } = read(text)
  const name = word(client?.name)
  if (name === '') return null
  const rows = [{ name, born: word(client?.born), phone: word(client?.phone) }]
  const doubles = await api<Double[]>('/api/clients/check', { method: 'POST', body: { rows } })
  return doubles.length > 0 ? { words: `${name} may be here already.`, text } : null
}
function read(text: string): Told {
  try {
    return (JSON.parse(text) ?? {}) as Told
  } catch {
    // The house says what is wrong with it.
    return {}
  }
}
async function take(text: string) {
  const body = { id: crypto.randomUUID(), text }
  const { id } = await api<{ id: string }>('/api/people/files', { method: 'POST', body })
  known.value = null
  await navigateTo(`/people/${id}`)
}
const takeAnyway = () => attempt(async () => take(known.value?.text ?? ''))
</script>

<template>
  <section class="panel stack">
    <h2>A whole client file</h2>
    <p class="soft">
      A client file exported by a practice. Its answers and treatments count from now on.
      <NuxtLink to="/people/reader">Read it first</NuxtLink>
    </p>
    <label class="choose">
      <b>Choose a client's file</b>
      <input type="file" accept="application/json,.json" :disabled="busy" @change="choose" />
    </label>
    <div v-if="known" role="alert" class="row">
      <span>{{ known.words }}</span>
      <VBtn variant="outlined" :loading="busy" @click="takeAnyway">Import as a new client</VBtn>
      <VBtn variant="text" @click="known = null">Cancel</VBtn>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.choose {
  display: flex;
  gap: 14px;
  align-items: center;
}
.tag {
  white-space: normal;
}
</style>
