<script setup lang="ts">
import type { StaffLine, StaffLink } from '#contracts/replies/house'
import type { Again } from '#contracts/people'
import { LICENCE_IDS, LICENCE_NAMES, type LicenceId } from '#core/catalogue/kinds'
import { treats } from '#core/visit/roles'
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
  { value: 'receptionist', title: 'receptionist: books, and sees nothing of health' },
  { value: 'owner', title: 'owner: may do everything' },
]
const form = ref<StaffLine | null>(null)
const isNew = ref(false)
const licences = ref<LicenceId[]>([])
const LICENCES = LICENCE_IDS.map((value) => ({ value, title: LICENCE_NAMES[value] }))
const link = ref<{ name: string; address: string; until: string } | null>(null)
function begin() {
  isNew.value = true
  licences.value = []
  const id = crypto.randomUUID()
  form.value = {
    id,
    name: '',
    email: '',
    role: 'therapist',
    active: true,
    joined: false,
    hasFactor: false,
  }
}
function edit(person: StaffLine) {
  isNew.value = false
  form.value = { ...person }
}
function show(name: string, { token, expiresAt }: StaffLink) {
  const until = dayAndClock(expiresAt, props.zone)
  link.value = { name, address: `${location.origin}/join#${token}`, until }
}
/** What waits for the password, and why it is asked for. */
const waiting = ref<{ title: string; text: string; work: (again: Again) => Promise<void> } | null>(
  null,
)
const sure = (again: Again) =>
  attempt(async () => {
    await waiting.value?.work(again)
    waiting.value = null
    emit('changed')
  })
async function put(again?: Again) {
  if (!form.value) return
  const { id, name, email, role, active } = form.value
  const known = again ? { again } : {}
  if (isNew.value) {
    const body = { id, name, email, role, licences: licences.value, ...known }
    show(name, await api('/api/staff', { method: 'POST', body }))
  } else
    await api(`/api/staff/${id}`, {
      method: 'PATCH',
      body: { name, email, role, active, ...known },
    })
  form.value = null
}
function save() {
  const own = form.value
  const before = props.people.find(({ id }) => id === own?.id)
  const opens = own?.role === 'owner' && isNew.value
  const changes = before && (before.role !== own?.role || before.email !== own.email)
  if (!opens && !changes) return attempt(async () => put().then(() => emit('changed')))
  waiting.value = {
    title: `Save ${own?.name ?? ''}`,
    text: 'Role and sign-in address: your password is asked for again.',
    work: put,
  }
}
function change({ id, name, email, role }: StaffLine, active: boolean) {
  waiting.value = {
    title: active ? `${name} works here again` : `${name} has left`,
    text: active ? 'The account opens again.' : 'The account is signed out and closed at once.',
    work: async (again) => {
      const body = { name, email, role, active, again }
      await api(`/api/staff/${id}`, { method: 'PATCH', body })
    },
  }
}
function newLink({ id, name }: StaffLine) {
  waiting.value = {
    title: `Password link for ${name}`,
    text: 'Whoever opens the link chooses a new password for this account. A second factor stays.',
    work: async (again) =>
      show(name, await api(`/api/staff/${id}/link`, { method: 'POST', body: again })),
  }
}
function endFactor({ id, name }: StaffLine) {
  waiting.value = {
    title: `Remove the second factor of ${name}`,
    text: 'For a colleague who has lost the phone and the recovery codes. They are signed out.',
    work: async (again) => {
      await api(`/api/staff/${id}/factor-end`, { method: 'POST', body: again })
    },
  }
}
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
            <VBtn v-if="person.hasFactor" variant="text" @click="endFactor(person)"
              >Remove second factor<span class="sr"> of {{ person.name }}</span></VBtn
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
      Give this link to <bdi>{{ link.name }}</bdi>; it opens once, until
      {{ link.until }}:<br /><code>{{ link.address }}</code>
    </p>
    <form v-if="form" class="stack" novalidate @submit.prevent="save">
      <VTextField v-model="form.name" v-caret label="Name" />
      <VTextField v-model="form.email" label="E-mail" type="email" />
      <VSelect v-model="form.role" label="Role" :items="ROLES" />
      <VSelect
        v-if="isNew && treats(form.role)"
        v-model="licences"
        label="Trained and licensed for"
        :items="LICENCES"
        multiple
        chips
      />
      <p v-if="treats(form.role)" class="soft">
        Licences, with their last day, are kept under Scope on the Practice page.
      </p>
      <div class="row">
        <VBtn type="submit" color="primary" :loading="busy">Save</VBtn>
        <VBtn variant="text" @click="form = null">Close</VBtn>
      </div>
    </form>
    <VBtn v-else variant="outlined" @click="begin">Add a colleague</VBtn>
    <p v-if="trouble && !waiting" role="alert" class="tag stop">{{ trouble }}</p>
    <AgainDialog
      v-if="waiting"
      :title="waiting.title"
      :text="waiting.text"
      word="Confirm"
      :trouble="trouble"
      :busy="busy"
      @sure="sure"
      @close="waiting = null"
    />
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
