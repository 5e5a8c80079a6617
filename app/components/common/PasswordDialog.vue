<script setup lang="ts">
/** Something that is not undone, or that carries the whole house away: the password once more. */
const props = defineProps<{
  title: string
  text: string
  /** What the button says. */
  word: string
  trouble: string
  busy: boolean
  /** Whether the second factor is asked for too. */
  factor?: boolean
}>()
const emit = defineEmits<{ sure: [password: string, code: string]; close: [] }>()
const password = ref('')
const code = ref('')
const whole = computed(() => password.value !== '' && (!props.factor || code.value !== ''))
</script>

<template>
  <VDialog :model-value="true" :aria-label="title" @update:model-value="emit('close')">
    <VCard class="pa-5">
      <form class="stack" novalidate @submit.prevent="emit('sure', password, code)">
        <h2>{{ title }}</h2>
        <p>{{ text }}</p>
        <slot />
        <VTextField
          v-model="password"
          v-caret
          label="Your password, once more"
          type="password"
          autocomplete="current-password"
        />
        <VTextField
          v-if="factor"
          v-model="code"
          label="Six digits, or a recovery code"
          autocomplete="one-time-code"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn color="primary" @click="emit('close')">Cancel</VBtn>
          <VBtn type="submit" variant="outlined" color="error" :loading="busy" :disabled="!whole">
            {{ word }}
          </VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>
