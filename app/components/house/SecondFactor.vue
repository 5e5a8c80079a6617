<script setup lang="ts">
import type { RecoveryCodes } from '#contracts/replies/people'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

/** Six digits of an authenticator app beside the password, where somebody wants or needs them. */
const api = useApi()
const session = useSession()
const { busy, trouble, attempt } = useAttempt()
const password = ref('')
const code = ref('')
/** Shown once, after it was set up. */
const recovery = ref<string[]>([])
const uri = ref('')
const picture = ref('')
const secret = computed(() => new URL(uri.value || 'x:').searchParams.get('secret') ?? '')
const stands = computed(() =>
  session.me?.hasFactor
    ? 'You have one: signing in asks for its six digits.'
    : 'None yet. Sign-in will also need a code from your phone.',
)
const fits = computed(() => /^\d{3}\s?\d{3}$/.test(code.value))
const post = <T = unknown,>(path: string, body: object) =>
  api<T>(`/api/session/factor${path}`, { method: 'POST', body })
const begin = () =>
  attempt(async () => {
    const begun = await post<{ uri: string }>('', { password: password.value })
    const { toString: draw } = await import('qrcode')
    picture.value = await draw(begun.uri, { type: 'svg', margin: 1 })
    uri.value = begun.uri
    password.value = ''
  })
const confirm = () =>
  attempt(async () => {
    const { recovery: shown } = await post<RecoveryCodes>('/confirm', { code: code.value })
    recovery.value = shown
    uri.value = ''
    code.value = ''
    await session.load()
  })
const end = () =>
  attempt(async () => {
    await post('/end', { password: password.value, code: code.value })
    password.value = ''
    code.value = ''
    await session.load()
  })
</script>

<template>
  <section class="panel stack">
    <h2>Second factor</h2>
    <p v-if="session.me?.needsFactor" role="alert" class="tag watch">
      Owners need one here. Set it up; until then nothing else opens.
    </p>
    <template v-if="uri">
      <p>Scan this with an authenticator app, then type the six digits it shows.</p>
      <!-- eslint-disable-next-line vue/no-v-html -- drawn here, from our own address -->
      <div class="qr" role="img" aria-label="QR code of the secret" v-html="picture" />
      <p class="soft">
        Or type it in: <span class="figures secret">{{ secret }}</span>
      </p>
      <form class="row" novalidate @submit.prevent="confirm">
        <VTextField
          v-model="code"
          label="Six digits"
          inputmode="numeric"
          autocomplete="one-time-code"
          hide-details
        />
        <VBtn type="submit" color="primary" :loading="busy" :disabled="!fits">Confirm</VBtn>
      </form>
    </template>
    <div v-else-if="recovery.length" class="stack" role="status">
      <p>
        Recovery codes: each opens once in place of the six digits. Write them down and keep them
        away from this device. They are not shown again.
      </p>
      <ul class="plainlist codes figures">
        <li v-for="one in recovery" :key="one">{{ one }}</li>
      </ul>
      <VBtn color="primary" class="do" @click="recovery = []">I have written them down</VBtn>
    </div>
    <form v-else class="stack" novalidate @submit.prevent="session.me?.hasFactor ? end() : begin()">
      <p class="soft">{{ stands }}</p>
      <VTextField
        v-model="password"
        label="Your password, for the second factor"
        type="password"
        autocomplete="current-password"
        density="compact"
      />
      <VTextField
        v-if="session.me?.hasFactor"
        v-model="code"
        label="Six digits, or a recovery code"
        autocomplete="one-time-code"
        density="compact"
      />
      <VBtn type="submit" variant="outlined" class="do" :loading="busy" :disabled="!password">
        {{ session.me?.hasFactor ? 'Turn off' : 'Set up' }}
      </VBtn>
    </form>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.qr {
  width: 190px;
}
.qr :deep(svg) {
  display: block;
  width: 100%;
}
.codes {
  columns: 2;
  user-select: all;
}
.secret {
  word-break: break-all;
}
.do {
  align-self: flex-start;
}
.tag {
  white-space: normal;
}
</style>
