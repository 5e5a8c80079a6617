<script setup lang="ts">
import { useLinkKey } from '~/composables/linkKey'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

definePageMeta({ layout: 'bare' })
useHead({ title: 'Your password · Oak Basin' })
const api = useApi()
const session = useSession()
const token = useLinkKey()
const person = ref<{ practice: string; name: string; email: string } | null>(null)
const password = ref('')
const same = ref(false)
const trouble = ref<unknown>(null)
const busy = ref(false)
watch(token, async () => {
  trouble.value = null
  person.value = null
  try {
    person.value = await api('/api/join/open', { method: 'POST', body: { token: token.value } })
  } catch (error) {
    trouble.value = error
  }
})

async function choose() {
  busy.value = true
  trouble.value = null
  try {
    const body = { token: token.value, password: password.value }
    const { signedIn } = await api<{ signedIn: boolean }>('/api/join/submit', {
      method: 'POST',
      body,
    })
    if (signedIn) await session.load()
    await navigateTo(signedIn ? '/' : '/sign-in')
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DoorFrame>
    <form v-if="person" class="stack" novalidate @submit.prevent="choose">
      <h1>{{ person.practice }}</h1>
      <p>
        <bdi>{{ person.name }}</bdi>, choose your password. You sign in with {{ person.email }}.
      </p>
      <input type="hidden" autocomplete="username" :value="person.email" />
      <PasswordPair
        v-model="password"
        v-model:same="same"
        :errors="fieldProblem(trouble, 'password')"
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
      <VBtn type="submit" color="primary" :loading="busy" :disabled="!same" block>
        Save and sign in
      </VBtn>
    </form>
    <div v-else-if="trouble" class="stack">
      <h1>This link does not work</h1>
      <p role="alert">{{ sayProblem(trouble) }}</p>
      <VBtn color="primary" to="/sign-in">Sign in</VBtn>
    </div>
  </DoorFrame>
</template>
