<script setup lang="ts">
import { LICENCE_IDS, LICENCE_NAMES, type LicenceId } from '#core/catalogue/kinds'
import type { ScopeLine } from '#core/screening/verdict/scope'
import { sayProblem, useApi } from '~/composables/useApi'

interface Person {
  id: string
  name: string
  role: string
  licences: LicenceId[]
  licenceUntil: Partial<Record<LicenceId, string>>
  licenceNotes: Partial<Record<LicenceId, string>>
  scope: ScopeLine[]
}
/** What the place allows and what each person holds: nobody can plan outside it. */
const props = defineProps<{ people: Person[]; allows: LicenceId[] }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const editing = ref<string | null>(null)
const held = ref<LicenceId[]>([])
const until = ref<Partial<Record<LicenceId, string>>>({})
const notes = ref<Partial<Record<LicenceId, string>>>({})
const trouble = ref('')
const PLACE = 'place'
function edit(person?: Person) {
  editing.value = person?.id ?? PLACE
  held.value = [...(person ? person.licences : props.allows)]
  until.value = { ...person?.licenceUntil }
  notes.value = { ...person?.licenceNotes }
  trouble.value = ''
}
const tick = (licence: LicenceId) => {
  held.value = held.value.includes(licence)
    ? held.value.filter((item) => item !== licence)
    : [...held.value, licence]
}
const ofHeld = (given: Partial<Record<LicenceId, string>>) =>
  editing.value === PLACE
    ? {}
    : Object.fromEntries(held.value.flatMap((id) => (given[id] ? [[id, given[id]]] : [])))
async function save() {
  try {
    await api('/api/scope', {
      method: 'PUT',
      body: {
        staffId: editing.value === PLACE ? null : editing.value,
        licences: held.value,
        until: ofHeld(until.value),
        notes: ofHeld(notes.value),
      },
    })
    editing.value = null
    emit('changed')
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
const allowed = computed(() =>
  LICENCE_IDS.filter((id) => props.allows.includes(id))
    .map((id) => LICENCE_NAMES[id])
    .join('; '),
)
const editingWhat = computed(() =>
  editing.value === PLACE
    ? 'This place allows'
    : `${props.people.find((person) => person.id === editing.value)?.name ?? ''} holds`,
)
</script>

<template>
  <section class="panel stack">
    <h2>Scope</h2>
    <VTable v-scrolls density="compact" class="plain">
      <tbody>
        <tr>
          <td><b>This place</b><br /><span class="soft">as the local code allows</span></td>
          <td>
            {{ allowed }}
          </td>
          <td>
            <VBtn size="small" height="38" variant="text" @click="edit()"
              >Change<span class="sr"> what this place allows</span></VBtn
            >
          </td>
        </tr>
        <tr v-for="person in people" :key="person.id">
          <td>
            <b>{{ person.name }}</b><br /><span class="soft"
              >{{ person.role }}{{ person.role === 'trainee' ? ', plans countersigned' : '' }}</span
            >
          </td>
          <td>
            <div
              v-for="scope in person.scope.filter((x) => x.text !== 'not held')"
              :key="scope.licence"
            >
              {{ LICENCE_NAMES[scope.licence]
              }}<span v-if="!scope.counts" class="tag stop ml-2">{{ scope.text }}</span
              ><span v-else-if="scope.text.includes('renew')" class="tag watch ml-2">{{
                scope.text
              }}</span
              ><span v-else-if="scope.until" class="soft"> {{ scope.text }}</span
              ><span v-if="person.licenceNotes[scope.licence]" class="soft">
                · {{ person.licenceNotes[scope.licence] }}</span
              >
            </div>
          </td>
          <td>
            <VBtn size="small" height="38" variant="text" @click="edit(person)"
              >Change<span class="sr"> {{ person.name }}</span></VBtn
            >
          </td>
        </tr>
      </tbody>
    </VTable>
    <form v-if="editing" class="stack edit" novalidate @submit.prevent="save">
      <b>{{ editingWhat }}</b>
      <div v-for="licence in LICENCE_IDS" :key="licence" class="row">
        <VCheckbox
          :model-value="held.includes(licence)"
          :label="LICENCE_NAMES[licence]"
          density="compact"
          hide-details
          class="held"
          @update:model-value="tick(licence)"
        /><DayField
          v-if="editing !== PLACE && held.includes(licence)"
          v-model="until[licence]"
          label="until"
          :aria-label="`${LICENCE_NAMES[licence]}, until`"
          density="compact"
          hide-details
          class="until"
        /><VTextField
          v-if="editing !== PLACE && held.includes(licence)"
          v-model="notes[licence]"
          label="proof is kept"
          :aria-label="`${LICENCE_NAMES[licence]}, where the proof is kept`"
          maxlength="200"
          density="compact"
          hide-details
        />
      </div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div class="row">
        <VBtn color="secondary" type="submit">Save scope</VBtn
        ><VBtn variant="text" @click="editing = null">Cancel</VBtn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.edit {
  border-left: 4px solid var(--basin);
  padding-left: 12px;
}
.held {
  flex: none;
}
.until {
  flex: none;
  width: 190px;
}
p {
  margin: 0;
}
</style>
