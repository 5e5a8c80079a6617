<script setup lang="ts">
import { LICENCE_IDS, LICENCE_NAMES, type LicenceId } from '#core/catalogue/kinds'
import { useLinkKey } from '~/composables/linkKey'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

definePageMeta({ layout: 'bare' })
useHead({ title: 'The first hour · Oak Basin' })
const api = useApi()
const session = useSession()
const { data: house } = await useAsyncData('setup', () => api<{ open: boolean }>('/api/setup'))
const form = reactive({
  house: '',
  name: '',
  email: '',
  password: '',
  licences: [] as LicenceId[],
})
const LICENCES = LICENCE_IDS.map((value) => ({ value, title: LICENCE_NAMES[value] }))
const same = ref(false)
const key = useLinkKey()
/** Whether the key opens the first hour of a practice that was added to others. */
const opens = ref(false)
const looked = ref(false)
watch(key, async (is) => {
  looked.value = false
  opens.value = is ? await asked(is) : false
  looked.value = true
})
const asked = (is: string) =>
  api<{ open: boolean }>('/api/setup/open', { method: 'POST', body: { key: is } }).then(
    ({ open }) => open,
    () => false,
  )
const trouble = ref<unknown>(null)
const busy = ref(false)
watch(key, () => {
  trouble.value = null
})
const ready = computed(
  () => form.house.trim() !== '' && form.name.trim() !== '' && form.email !== '' && same.value,
)

async function begin() {
  busy.value = true
  trouble.value = null
  try {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
    await api('/api/setup', { method: 'POST', body: { ...form, key: key.value, timeZone } })
    await session.load()
    await navigateTo('/practice/house')
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
const err = (field: string) => fieldProblem(trouble.value, field)
</script>

<template>
  <DoorFrame>
    <form
      v-if="(house?.open || opens) && key !== null"
      class="stack"
      novalidate
      @submit.prevent="begin"
    >
      <h1>The first hour</h1>
      <p class="soft">
        Your practice and you: that is enough to begin. Rooms, people, devices and products come on
        the next page, in any order.
      </p>
      <VTextField
        v-model="form.house"
        v-caret
        label="Name of the practice"
        :error-messages="err('house')"
      />
      <VTextField
        v-model="form.name"
        label="Your name"
        autocomplete="name"
        :error-messages="err('name')"
      />
      <VTextField
        v-model="form.email"
        label="E-mail, to sign in with"
        type="email"
        autocomplete="username"
        :error-messages="err('email')"
      />
      <PasswordPair v-model="form.password" v-model:same="same" :errors="err('password')" />
      <VSelect
        v-model="form.licences"
        label="You are trained and licensed for"
        :items="LICENCES"
        multiple
        chips
        hint="Only this is planned for you. It can be changed under Practice, Scope."
        persistent-hint
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
      <p v-if="!key" class="tag watch">
        Open this page by the link that the start command prints: it carries the key.
      </p>
      <VBtn type="submit" color="primary" :loading="busy" :disabled="!ready || !key" block>
        Create the practice
      </VBtn>
    </form>
    <div v-else-if="!house?.open && (looked || !key)" class="stack">
      <h1>Already begun</h1>
      <p>This practice has an owner. Sign in, or ask the owner for your own link.</p>
      <VBtn color="primary" to="/sign-in">Sign in</VBtn>
    </div>
  </DoorFrame>
</template>

<style scoped>
.tag {
  white-space: normal;
}
</style>
