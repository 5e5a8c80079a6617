<script setup lang="ts">
import { useSession } from '~/stores/session'
import { sayProblem } from '~/composables/useApi'

const session = useSession()
const hasCode = computed(() => session.me?.hasCode === true)
const code = ref('')
const trouble = ref('')
async function open() {
  trouble.value = ''
  try {
    await session.unlock(hasCode.value ? { code: code.value } : { password: code.value })
    reloadNuxtApp({ force: true })
  } catch (error) {
    trouble.value = sayProblem(error)
    code.value = ''
  }
}
</script>

<template>
  <main class="lock">
    <form class="panel stack" @submit.prevent="open">
      <h1>Locked</h1>
      <p class="soft">{{ session.me?.name }}</p>
      <VTextField
        v-model="code"
        v-caret
        :label="hasCode ? 'Quick code' : 'Password'"
        type="password"
        :inputmode="hasCode ? 'numeric' : 'text'"
        autocomplete="off"
        :error-messages="trouble ? [trouble] : []"
      />
      <VBtn type="submit" color="primary" block>Unlock</VBtn>
    </form>
  </main>
</template>

<style scoped>
.lock {
  position: fixed;
  inset: 0;
  z-index: 3000;
  background: var(--linen);
  display: grid;
  place-items: center;
}
.panel {
  width: 320px;
}
</style>
