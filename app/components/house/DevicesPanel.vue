<script setup lang="ts">
import type { DeviceLine, HousePage, RoomLine } from '#contracts/replies/house'
import { DEVICE_KINDS, DEVICE_NAMES } from '#core/catalogue/kinds'
import { useAttempt } from '~/composables/attempt'
import { isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** What stands in the house; what is away or in repair cannot be planned with. */
const props = defineProps<{
  devices: DeviceLine[]
  rooms: RoomLine[]
  ownKinds: HousePage['ownKinds']
}>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const form = ref<DeviceLine | null>(null)
const isNew = ref(false)
/** The practice's own stand first: they are the fewest, and the ones looked for. */
const all = computed(() => [
  ...props.ownKinds.map(({ kind, name, retired }) => ({ value: kind, title: name, retired })),
  ...DEVICE_KINDS.map((kind) => ({ value: kind, title: DEVICE_NAMES[kind], retired: false })),
])
const kinds = computed(() => all.value.filter(({ retired }) => !retired))
const kindName = (kind: DeviceLine['kind']) =>
  all.value.find(({ value }) => value === kind)?.title ?? ''
function begin() {
  isNew.value = true
  form.value = {
    id: crypto.randomUUID(),
    kind: 'steamer',
    name: DEVICE_NAMES.steamer,
    serial: '',
    serviceDue: null,
    ready: true,
    roomIds: [],
    parts: [],
  }
}
function edit(device: DeviceLine) {
  isNew.value = false
  form.value = { ...device, parts: device.parts.map((part) => ({ ...part })) }
}
/** The name follows the kind until somebody has typed another. */
function pick(kind: DeviceLine['kind']) {
  if (!form.value) return
  if (form.value.name === kindName(form.value.kind)) form.value.name = kindName(kind)
  form.value.kind = kind
}
const keep = (body: DeviceLine) =>
  attempt(async () => {
    await api('/api/devices', {
      method: 'PUT',
      body: {
        ...body,
        serviceDue: body.serviceDue || null,
        parts: body.parts.map(({ pieces, reorderPieces, ...part }) => ({
          ...part,
          pieces: Number(pieces),
          reorderPieces: reorderPieces ? Number(reorderPieces) : null,
        })),
      },
    })
    form.value = null
    emit('changed')
  })
const roomNames = (ids: readonly string[]) =>
  props.rooms
    .filter(({ id }) => ids.includes(id))
    .map(({ name }) => name)
    .join(', ')
const about = ({ kind, serial, serviceDue, roomIds, parts }: DeviceLine) =>
  [
    kindName(kind),
    serial,
    serviceDue === null ? '' : `service due ${isoDayWords(serviceDue)}`,
    roomIds.length === 0 ? '' : `in ${roomNames(roomIds)}`,
    ...parts.map(({ name, pieces }) => `${name}: ${pieces}`),
  ]
    .filter(Boolean)
    .join(' · ')
const places = computed(() => props.rooms.map(({ id, name }) => ({ value: id, title: name })))
</script>

<template>
  <section class="panel stack">
    <h2>Devices</h2>
    <p v-if="devices.length === 0" class="soft">
      None yet. Without a device the hands do the work; what needs one is not planned.
    </p>
    <ul class="plainlist stack">
      <li v-for="device in devices" :key="device.id" class="between">
        <span>
          <b>{{ device.name }}</b>{{ ' '
          }}<span v-if="!device.ready" class="tag watch">not in use</span><br /><span
            class="soft"
            >{{ about(device) }}</span
          >
        </span>
        <span class="row">
          <VBtn variant="text" @click="edit(device)"
            >Change<span class="sr"> {{ device.name }}</span></VBtn
          >
          <VBtn variant="text" @click="keep({ ...device, ready: !device.ready })"
            >{{ device.ready ? 'Not in use' : 'Ready again'
            }}<span class="sr"> {{ device.name }}</span></VBtn
          >
        </span>
      </li>
    </ul>
    <form v-if="form" class="stack" novalidate @submit.prevent="keep(form)">
      <VSelect
        v-if="isNew"
        :model-value="form.kind"
        label="Kind"
        :items="kinds"
        @update:model-value="pick"
      />
      <VTextField v-model="form.name" label="Name here" />
      <div class="pair">
        <VTextField v-model="form.serial" label="Serial number" />
        <DayField v-model="form.serviceDue" label="Service due" />
      </div>
      <VSelect
        v-model="form.roomIds"
        label="Room (empty = shared)"
        :items="places"
        multiple
        clearable
      />
      <DeviceParts v-model="form.parts" />
      <div class="row">
        <VBtn type="submit" color="primary" :loading="busy">Save device</VBtn>
        <VBtn variant="text" @click="form = null">Close</VBtn>
      </div>
    </form>
    <VBtn v-else variant="outlined" @click="begin">Add a device</VBtn>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.plainlist li {
  align-items: center;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
