<script setup lang="ts">
import type { Again } from '#contracts/people'
import { useSession } from '~/stores/session'

/** What opens a house is asked for again: the password, and the second factor where there is one. */
defineProps<{ title: string; text: string; word: string; trouble: string; busy: boolean }>()
const emit = defineEmits<{ sure: [again: Again]; close: [] }>()
const session = useSession()
const sure = (password: string, code: string) =>
  emit('sure', { password, ...(code === '' ? {} : { code }) })
</script>

<template>
  <PasswordDialog
    :title="title"
    :text="text"
    :word="word"
    :trouble="trouble"
    :busy="busy"
    :factor="session.me?.hasFactor ?? false"
    @sure="sure"
    @close="emit('close')"
  />
</template>
