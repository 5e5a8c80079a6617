<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import type { PersonLine } from '#contracts/replies/people'
import { apartWords, findPeople } from '~/composables/people'
import { useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

/** Before somebody is added twice: who of this name is on file already. */
const props = defineProps<{ name: string }>()
const api = useApi()
const session = useSession()
const found = ref<PersonLine[]>([])
const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLowerCase()
watchDebounced(
  () => plain(props.name),
  async (name) => {
    const people = name === '' ? [] : await findPeople(api, name)
    found.value = people.filter((own) => plain(own.name) === name)
  },
  { debounce: 300, immediate: true },
)
const told = (person: PersonLine) => apartWords({ ...person, alike: true })
</script>

<template>
  <p v-if="found.length" role="status" class="tag watch">
    Already on file:
    <template v-for="person in found" :key="person.id"
      ><bdi v-if="session.atDesk">{{ person.name }}</bdi
      ><NuxtLink v-else :to="`/people/${person.id}`"
        ><bdi>{{ person.name }}</bdi></NuxtLink
      >, {{ told(person) }}.
    </template>
  </p>
</template>
