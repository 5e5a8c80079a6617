<script setup lang="ts">
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A new password of one's own, with the old one; every other device is signed out. */
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const now = ref('')
const next = ref('')
const same = ref(false)
const kept = ref(false)
const save = () =>
  attempt(async () => {
    const body = { now: now.value, next: next.value }
    await api('/api/session/password', { method: 'PUT', body })
    now.value = ''
    next.value = ''
    kept.value = true
  })
</script>

<template>
  <form class="panel stack" novalidate @submit.prevent="save">
    <h2>Password</h2>
    <VTextField
      v-model="now"
      label="Current password"
      type="password"
      autocomplete="current-password"
    />
    <PasswordPair v-model="next" v-model:same="same" />
    <div class="row">
      <VBtn type="submit" variant="outlined" :loading="busy" :disabled="!now || !same">
        Change password
      </VBtn>
      <span v-if="kept" role="status" class="tag good">changed; other devices are signed out</span>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </form>
</template>
