<script setup lang="ts">
import { LEAST_PASSWORD } from '#contracts/house'

/** A new password, typed twice; `same` says whether both are alike. */
defineProps<{ errors?: string[] }>()
const password = defineModel<string>({ required: true })
const same = defineModel<boolean>('same', { required: true })
const again = ref('')
watchEffect(() => {
  same.value = password.value !== '' && again.value === password.value
})
const unlike = computed(() => (again.value !== '' && !same.value ? ['not the same as above'] : []))
</script>

<template>
  <VTextField
    v-model="password"
    label="Password"
    type="password"
    autocomplete="new-password"
    :hint="`At least ${LEAST_PASSWORD} characters: four words are good and easy to keep.`"
    persistent-hint
    :error-messages="errors ?? []"
  />
  <VTextField
    v-model="again"
    label="Password once more"
    type="password"
    autocomplete="new-password"
    :error-messages="unlike"
  />
</template>
