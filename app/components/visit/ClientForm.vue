<script setup lang="ts">
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'
import { useSession } from '~/stores/session'

interface Fields {
  name: string
  born: string
  phone: string
  email: string
  work: string
  medicines: string
  notes: string
  faceHeightMm: string
  faceWidthMm: string
  messages: string
}
const props = withDefaults(
  defineProps<{
    client?: { id: string; version: number; tags: readonly string[] } & Record<
      keyof Fields,
      string | number | null
    >
    startName?: string
  }>(),
  { client: undefined, startName: '' },
)
const emit = defineEmits<{ close: []; saved: [id: string] }>()
const api = useApi()
const session = useSession()
const id = ref(props.client?.id ?? '')
const text = (value: unknown) => (value === null || value === undefined ? '' : String(value))
const blank = (): Fields => ({
  name: props.startName,
  born: '',
  phone: '',
  email: '',
  work: '',
  medicines: '',
  notes: '',
  faceHeightMm: '190',
  faceWidthMm: '140',
  messages: 'none',
})
const form = reactive<Fields>(
  props.client
    ? (Object.fromEntries(
        Object.keys(blank()).map((field) => [field, text(props.client?.[field as keyof Fields])]),
      ) as unknown as Fields)
    : blank(),
)
const tags = ref<string[]>([...(props.client?.tags ?? [])])
const trouble = ref<unknown>(null)
const busy = ref(false)
const restored = ref(false)

const draft = useDraft<Fields & { id: string; tags: string[] }>({
  key: () => (props.client ? `client-${props.client.id}` : 'client-new'),
  value: () => ({ ...form, id: id.value, tags: tags.value }),
  restore: ({ id: kept, tags: kinds, ...fields }) => {
    id.value = kept
    tags.value = kinds ?? []
    Object.assign(form, fields)
    restored.value = true
  },
})
onMounted(() => {
  id.value ||= crypto.randomUUID()
  return draft.start()
})
async function save() {
  busy.value = true
  trouble.value = null
  const fields = {
    ...form,
    tags: tags.value,
    faceHeightMm: Number(form.faceHeightMm),
    faceWidthMm: Number(form.faceWidthMm),
  }
  try {
    if (props.client)
      await api(`/api/people/${props.client.id}`, {
        method: 'PATCH',
        body: { version: props.client.version, ...fields },
      })
    else await api('/api/people', { method: 'POST', body: { id: id.value, ...fields } })
    await draft.drop()
    emit('saved', id.value)
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
async function discard() {
  await draft.drop()
  emit('close')
}
/** Only a link is sent, never a word of skin or health; and only to whoever wants it. */
const MESSAGES = [
  { value: 'none', title: 'none' },
  { value: 'mail', title: 'by e-mail' },
  { value: 'text', title: 'as a text message' },
]
const err = (field: keyof Fields | 'tags') => fieldProblem(trouble.value, field)
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="640"
    :aria-label="client ? 'Edit the client' : 'Add a client'"
    persistent
    @keydown.esc="emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="save">
        <h2>{{ client ? 'Edit the client' : 'Add a client' }}</h2>
        <p v-if="restored" class="tag calm">Your unsaved entries are back.</p>
        <VTextField v-model="form.name" v-caret label="Name" :error-messages="err('name')" />
        <OfThisName v-if="!client" :name="form.name" />
        <div class="pair">
          <DayField
            v-model="form.born"
            label="Born"
            past
            :error-messages="err('born')"
          /><VTextField v-model="form.work" label="Work" :error-messages="err('work')" />
        </div>
        <div class="pair">
          <VTextField
            v-model="form.phone"
            label="Phone"
            :error-messages="err('phone')"
          /><VTextField v-model="form.email" label="E-mail" :error-messages="err('email')" />
        </div>
        <VSelect
          v-model="form.messages"
          :items="MESSAGES"
          label="Messages after a visit"
          :error-messages="err('messages')"
        />
        <TagsField v-if="!session.atDesk" v-model="tags" :error-messages="err('tags')" />
        <VTextarea
          v-if="!session.atDesk"
          v-model="form.medicines"
          label="Medicines, in the client's words"
          :error-messages="err('medicines')"
        />
        <VTextarea
          v-if="!session.atDesk"
          v-model="form.notes"
          label="Notes"
          :error-messages="err('notes')"
        />
        <div v-if="!session.atDesk" class="pair">
          <VTextField
            v-model="form.faceHeightMm"
            label="Face height, hairline to chin"
            suffix="mm"
            inputmode="numeric"
            :error-messages="err('faceHeightMm')"
          /><VTextField
            v-model="form.faceWidthMm"
            label="Face width"
            suffix="mm"
            inputmode="numeric"
            :error-messages="err('faceWidthMm')"
          />
        </div>
        <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">Save the client</VBtn
          ><VBtn variant="outlined" @click="emit('close')">Close, keep the draft</VBtn
          ><VBtn variant="text" color="error" @click="discard">Discard</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
