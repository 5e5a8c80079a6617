<script setup lang="ts">
import type { StaffLine, StaffLink } from '#contracts/house'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** Who works here. Each chooses a password by a link that opens once; who leaves is signed out. */
const props = defineProps<{ people: StaffLine[]; zone: string }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const ROLES = [
  { value: 'therapist', title: 'therapist' },
  { value: 'trainee', title: 'trainee: plans are countersigned' },
  { value: 'owner', title: 'owner: may do everything' },
]
const form = ref<StaffLine | null>(null)
const isNew = ref(false)
const link = ref<{ name: string; address: string; until: string } | null>(null)
function begin() {
  isNew.value = true
  const id = crypto.randomUUID()
  form.value = { id, name: '', email: '', role: 'therapist', active: true, joined: false }
}
function edit(person: StaffLine) {
  isNew.value = false
  form.value = { ...person }
}
function show(name: string, { token, expiresAt }: StaffLink) {
  const until = dayAndClock(expiresAt, props.zone)
  link.value = { name, address: `${location.origin}/join#${token}`, until }
}
const save = () =>
  attempt(async () => {
    if (!form.value) return
    const { id, name, email, role, active } = form.value
    if (isNew.value)
      show(name, await api('/api/staff', { method: 'POST', body: { id, name, email, role } }))
    else await api(`/api/staff/${id}`, { method: 'PATCH', body: { name, email, role, active } })
    form.value = null
    emit('changed')
  })
const change = ({ id, name, email, role }: StaffLine, active: boolean) =>
  attempt(async () => {
    await api(`/api/staff/${id}`, { method: 'PATCH', body: { name, email, role, active } })
    emit('changed')
  })
const newLink = ({ id, name }: StaffLine) =>
  attempt(async () => show(name, await api(`/api/staff/${id}/link`, { method: 'POST' })))
</script>

<template>
  <section class="panel stack">
    <h2>People who work here</h2>
    <ul class="plainlist stack">
      <li v-for="person in people" :key="person.id" class="between">
        <span>
          <b
            ><bdi>{{ person.name }}</bdi></b
          >{{ ' ' }}<span v-if="!person.active" class="tag watch">has left</span
          ><span v-else-if="!person.joined" class="tag calm">no password yet</span><br /><span
            class="soft"
            >{{ person.role }} · {{ person.email }}</span
          >
        </span>
        <span class="row">
          <template v-if="person.active">
            <VBtn variant="text" @click="edit(person)"
              >Change<span class="sr"> {{ person.name }}</span></VBtn
            >
            <VBtn variant="text" @click="newLink(person)"
              >Password link<span class="sr"> for {{ person.name }}</span></VBtn
            >
            <VBtn variant="text" @click="change(person, false)"
              >Has left<span class="sr">: {{ person.name }}</span></VBtn
            >
          </template>
          <VBtn v-else variant="text" @click="change(person, true)"
            >Works here again<span class="sr">: {{ person.name }}</span></VBtn
          >
        </span>
      </li>
    </ul>
    <p v-if="link" role="status" class="link">
      Hand this to <bdi>{{ link.name }}</bdi>; it opens once, until {{ link.until }}:<br /><code>{{
        link.address
      }}</code>
    </p>
    <form v-if="form" class="stack" novalidate @submit.prevent="save">
      <VTextField v-model="form.name" label="Name" autofocus />
      <VTextField v-model="form.email" label="E-mail" type="email" />
      <VSelect v-model="form.role" label="Role" :items="ROLES" />
      <p class="soft">What each may do by licence stands under Scope on the Practice page.</p>
      <div class="row">
        <VBtn type="submit" color="primary" :loading="busy">Keep</VBtn>
        <VBtn variant="text" @click="form = null">Close</VBtn>
      </div>
    </form>
    <VBtn v-else variant="outlined" @click="begin">Add somebody</VBtn>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.plainlist li {
  align-items: center;
}
.link {
  background: var(--linen-deep);
  padding: 10px 14px;
  border-radius: 10px;
  overflow-wrap: anywhere;
}
code {
  font-family: inherit;
  font-weight: 650;
  user-select: all;
}
</style>
