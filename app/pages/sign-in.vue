<script setup lang="ts">
import { useSession } from '~/stores/session'
import { fieldProblem, sayProblem } from '~/composables/useApi'

definePageMeta({ layout: 'bare' })
useHead({ title: 'Sign in · Oak Basin' })
const session = useSession()
const route = useRoute()
const email = ref('')
const password = ref('')
const trouble = ref<unknown>(null)
const busy = ref(false)

async function enter() {
  busy.value = true
  trouble.value = null
  try {
    await session.signIn(email.value.trim(), password.value)
    const to = String(route.query.to ?? '/')
    await navigateTo(to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
/** A trouble that belongs to neither field is said on its own. */
const noFieldsFault = computed(
  () =>
    trouble.value !== null &&
    fieldProblem(trouble.value, 'email').length + fieldProblem(trouble.value, 'password').length ===
      0,
)
</script>

<template>
  <div class="door">
    <div class="left">
      <svg viewBox="0 0 400 300" aria-hidden="true" class="bowl">
        <path d="M40 96h320c0 96-62 164-160 164S40 192 40 96z" fill="var(--basin-pale)" />
        <path
          d="M52 140c42 16 84-12 148 2s104 8 148-4c-14 74-68 122-148 122S66 212 52 140z"
          fill="var(--basin)"
        />
        <path d="M28 96h344" stroke="var(--oak)" stroke-width="9" stroke-linecap="round" />
        <path
          d="M150 70c-8-14 8-22 0-38M200 70c-8-14 8-22 0-38M250 70c-8-14 8-22 0-38"
          fill="none"
          stroke="var(--oak-light)"
          stroke-width="4"
          stroke-linecap="round"
        />
      </svg>
    </div>
    <form class="form stack" novalidate @submit.prevent="enter">
      <h1>Oak Basin</h1>
      <p class="soft">Plan, run and record a facial.</p>
      <VTextField
        v-model="email"
        label="E-mail"
        type="email"
        autocomplete="username"
        :error-messages="fieldProblem(trouble, 'email')"
      />
      <VTextField
        v-model="password"
        label="Password"
        type="password"
        autocomplete="current-password"
        :error-messages="fieldProblem(trouble, 'password')"
      />
      <p v-if="noFieldsFault" role="alert" class="tag stop">
        {{ sayProblem(trouble) }}
      </p>
      <VBtn type="submit" color="primary" :loading="busy" block>Sign in</VBtn>
    </form>
  </div>
</template>

<style scoped>
.door {
  min-height: 100dvh;
  display: grid;
  grid-template-columns: 1fr 1fr;
  background: var(--linen);
}
.left {
  background: var(--linen-deep);
  display: grid;
  place-items: center;
}
.bowl {
  width: min(62%, 420px);
}
.form {
  align-self: center;
  justify-self: center;
  width: min(360px, 86vw);
}
h1 {
  font-size: 2.6rem;
}
@media (max-width: 820px) {
  .door {
    grid-template-columns: 1fr;
  }
  .left {
    display: none;
  }
}
</style>
