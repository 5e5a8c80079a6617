<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

/** The short code that opens a locked tablet; it needs the password once. */
const api = useApi()
const session = useSession()
const { busy, trouble, attempt } = useAttempt()
const code = ref('')
const password = ref('')
const kept = ref(false)
const fits = computed(() => /^\d{4,8}$/.test(code.value))
const save = () =>
  attempt(async () => {
    const body = { code: code.value, password: password.value }
    await api('/api/session/code', { method: 'PUT', body })
    code.value = ''
    password.value = ''
    kept.value = true
    await session.load()
  })
</script>

<template>
  <form class="panel stack" novalidate @submit.prevent="save">
    <h2>Quick code</h2>
    <p class="soft">
      {{ session.me?.hasCode ? 'You have one. A new one takes its place.' : 'None yet.' }}
      With it you lock the tablet between two clients and open it again in a moment.
    </p>
    <VTextField
      v-model="code"
      label="Quick code, four to eight digits"
      type="password"
      inputmode="numeric"
      autocomplete="off"
      density="compact"
    />
    <VTextField
      v-model="password"
      label="Your password, for the code"
      type="password"
      autocomplete="current-password"
      density="compact"
    />
    <div class="row">
      <VBtn type="submit" variant="outlined" :loading="busy" :disabled="!fits || !password">
        Save code
      </VBtn>
      <span v-if="kept" role="status" class="tag good">saved: lock with “Lock” on the left</span>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </form>
</template>
