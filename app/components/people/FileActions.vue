<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { offerFile } from '~/composables/files'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'

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
const importWords = ({ holds, ours, why }: { holds: boolean; ours: boolean; why: string }) => {
  if (ours) return 'Imported: one of our own records, unchanged.'
  return holds
    ? 'Imported: sealed by another practice, and the seal is valid. Its work counts from now on.'
    : `Imported, but its seal is broken. ${why} Its work counts as if the client had named it.`
}
async function bringIn(event: Event) {
  const field = event.target as HTMLInputElement
  const chosen = field.files?.[0]
  if (!chosen) return
  await take({ id: crypto.randomUUID(), text: await chosen.text(), confirmed: false })
  field.value = ''
}
interface Taking {
  id: string
  text: string
  confirmed: boolean
}
/** A file of another name or birthday waits until somebody says whose it is. */
const doubtful = ref<{ words: string; body: Taking } | null>(null)
const take = (body: Taking) =>
  attempt(async () => {
    try {
      const words = importWords(await api(path('imports'), { method: 'POST', body }))
      doubtful.value = null
      return words
    } catch (error) {
      if (fieldProblem(error, 'confirmed').length === 0) throw error
      doubtful.value = { words: sayProblem(error), body: { ...body, confirmed: true } }
      return ''
    }
  })
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
    <VBtn variant="outlined" @click="takeOut">Download client data</VBtn>
    <label class="filebtn"
      >Import a visit<input type="file" accept="application/json" @change="bringIn"
    /></label>
    <VBtn v-if="mayErase" variant="text" color="error" @click="erasing = true">Erase</VBtn>
  </div>
  <div v-if="doubtful" class="panel stack" role="alert">
    <p>{{ doubtful.words }}</p>
    <div class="row">
      <VBtn variant="outlined" @click="take(doubtful.body)">It is the same person: import</VBtn>
      <VBtn variant="text" @click="doubtful = null">Cancel</VBtn>
    </div>
  </div>
  <p class="soft small">Every view of this file is recorded in the audit.</p>
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
  border: 1px solid var(--ink);
  border-radius: 8px;
  min-height: 44px;
  display: flex;
  align-items: center;
  padding: 0 16px;
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
