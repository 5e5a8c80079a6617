<script setup lang="ts">
import { dayAndClock } from '~/composables/dates'
import { useSession } from '~/stores/session'
import { fieldProblem, fieldsOf, sayProblem, useApi } from '~/composables/useApi'

definePageMeta({ layout: 'bare' })
useHead({ title: 'Sign in · Oak Basin' })
const session = useSession()
const route = useRoute()
const api = useApi()
const { data: setup } = await useAsyncData('setup', () =>
  api<{ open: boolean; ownerLinkAt: number | null }>('/api/setup'),
)
const linkMade = computed(() =>
  setup.value?.ownerLinkAt ? dayAndClock(setup.value.ownerLinkAt, 'UTC') + ' UTC' : '',
)
const email = ref('')
const password = ref('')
const code = ref('')
/** The password was right; the six digits are wanted beside it. */
const wantsCode = ref(false)
/** The practices that the password opens, where it opens several, and the chosen one. */
const practices = ref<{ value: string; title: string }[]>([])
const branch = ref('')
const trouble = ref<unknown>(null)
const busy = ref(false)

async function enter() {
  busy.value = true
  trouble.value = null
  try {
    const more = { code: code.value, branch: branch.value }
    await session.signIn(email.value.trim(), password.value, more)
    const to = String(route.query.to ?? '/')
    await navigateTo(to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    trouble.value = error
    if (fieldProblem(error, 'code').length > 0) wantsCode.value = true
    const asked = fieldsOf(error, 'branch')
    if (asked.length > 0)
      practices.value = asked.map(({ given, allowed }) => ({ value: given, title: allowed }))
  } finally {
    busy.value = false
  }
}
/** Another person's practices are not this one's. */
watch([email, password], () => {
  practices.value = []
  branch.value = ''
})
/** A trouble that belongs to neither field is said on its own. */
const noFieldsFault = computed(
  () =>
    trouble.value !== null &&
    fieldProblem(trouble.value, 'branch').length === 0 &&
    fieldProblem(trouble.value, 'email').length + fieldProblem(trouble.value, 'password').length ===
      0,
)
</script>

<template>
  <DoorFrame>
    <form class="stack" novalidate @submit.prevent="enter">
      <h1>Oak Basin</h1>
      <p class="soft">Plan, run and record a facial.</p>
      <p v-if="setup?.open" class="tag calm begin">
        This practice is not set up yet. Open the link that the start command has printed.
      </p>
      <p v-if="setup?.ownerLinkAt" class="tag watch begin">
        A password link for an owner was made at this computer on {{ linkMade }}.
      </p>
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
      <LazyWhichPractice v-if="practices.length" v-model="branch" :practices="practices" />
      <VTextField
        v-if="wantsCode"
        v-model="code"
        v-caret
        label="Six digits, or a recovery code"
        autocomplete="one-time-code"
      />
      <p v-if="noFieldsFault" role="alert" class="tag stop">
        {{ sayProblem(trouble) }}
      </p>
      <VBtn
        type="submit"
        color="primary"
        :loading="busy"
        :disabled="practices.length > 0 && branch === ''"
        block
        >Sign in</VBtn
      >
    </form>
  </DoorFrame>
</template>

<style scoped>
h1 {
  font-size: 2.6rem;
}
.begin {
  white-space: normal;
}
</style>
