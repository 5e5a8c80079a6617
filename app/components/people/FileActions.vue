<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { offerFile } from '~/composables/files'
import { sayProblem, useApi } from '~/composables/useApi'

/** Taking the file out, taking a visit in, erasing. */
const props = defineProps<{ clientId: string; name: string; mayErase: boolean }>()
const emit = defineEmits<{ said: [text: string]; changed: [] }>()
const api = useApi()
const path = (what: string) => `/api/people/${props.clientId}/${what}`
const erasing = ref(false)
const { busy, trouble, attempt: tryErase } = useAttempt()

async function attempt(work: () => Promise<string>) {
  try {
    const text = await work()
    if (text === '') return
    emit('said', text)
    emit('changed')
  } catch (error) {
    emit('said', sayProblem(error))
  }
}
const takeOut = () =>
  attempt(async () => {
    const file = JSON.stringify(await api<unknown>(path('export')), null, 2)
    offerFile(file, 'client.json', 'application/json')
    return ''
  })
const importWords = ({ holds, ours }: { holds: boolean; ours: boolean }) => {
  if (ours) return 'Taken in: one of our own records, unchanged.'
  return holds
    ? 'Taken in: sealed by another house, and the seal holds.'
    : 'Taken in, but its seal is broken: do not rely on it.'
}
async function bringIn(event: Event) {
  const field = event.target as HTMLInputElement
  const chosen = field.files?.[0]
  if (!chosen) return
  await attempt(async () => {
    const body = { id: crypto.randomUUID(), text: await chosen.text() }
    return importWords(await api(path('imports'), { method: 'POST', body }))
  })
  field.value = ''
}
const ERASED =
  'Everything of this client is wiped. Sealed records keep their proof, not their content. ' +
  'While the law asks to keep them, nothing is wiped.'
const erase = (password: string) =>
  tryErase(async () => {
    await api(path('erase'), { method: 'POST', body: { password } })
    erasing.value = false
    await navigateTo('/people')
  })
</script>

<template>
  <div class="panel row">
    <VBtn variant="outlined" @click="takeOut">Take out the whole file</VBtn>
    <label class="filebtn"
      >Take in a visit file<input type="file" accept="application/json" @change="bringIn"
    /></label>
    <VBtn v-if="mayErase" variant="text" color="error" @click="erasing = true">Erase</VBtn>
  </div>
  <p class="soft small">Every look at this file leaves a line in the audit.</p>
  <LazyPasswordDialog
    v-if="erasing"
    :title="`Erase ${name}?`"
    :text="ERASED"
    word="Erase for good"
    :trouble="trouble"
    :busy="busy"
    @sure="erase"
    @close="erasing = false"
  />
</template>

<style scoped>
.small {
  font-size: 0.875rem;
}
.filebtn {
  border: 1px solid var(--oak-light);
  border-radius: 8px;
  padding: 9px 16px;
  cursor: pointer;
  font-weight: 500;
  font-size: 0.875rem;
}
.filebtn input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.filebtn:focus-within {
  outline: 3px solid var(--water);
}
</style>
