<script setup lang="ts">
/** Something that is not undone, or that carries the whole house away: the password once more. */
defineProps<{
  title: string
  text: string
  /** What the button says. */
  word: string
  trouble: string
  busy: boolean
}>()
const emit = defineEmits<{ sure: [password: string]; close: [] }>()
const password = ref('')
</script>

<template>
  <VDialog :model-value="true" :aria-label="title" @update:model-value="emit('close')">
    <VCard class="pa-5">
      <form class="stack" novalidate @submit.prevent="emit('sure', password)">
        <h2>{{ title }}</h2>
        <p>{{ text }}</p>
        <VTextField
          v-model="password"
          label="Your password, once more"
          type="password"
          autocomplete="current-password"
          autofocus
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn color="primary" @click="emit('close')">Leave it</VBtn>
          <VBtn
            type="submit"
            variant="outlined"
            color="error"
            :loading="busy"
            :disabled="!password"
          >
            {{ word }}
          </VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>
