<script setup lang="ts">
import type { RoomLine } from '#contracts/replies/house'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** The rooms in which visits are booked. A closed one keeps its visits and takes no new ones. */
defineProps<{ rooms: RoomLine[] }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const name = ref('')
const renaming = ref<RoomLine | null>(null)
const keep = (body: RoomLine) =>
  attempt(async () => {
    await api('/api/rooms', { method: 'PUT', body })
    name.value = ''
    renaming.value = null
    emit('changed')
  })
const add = () => keep({ id: crypto.randomUUID(), name: name.value, closed: false })
</script>

<template>
  <section class="panel stack">
    <h2>Rooms</h2>
    <ul class="plainlist stack">
      <li v-for="room in rooms" :key="room.id" class="between">
        <form v-if="renaming?.id === room.id" class="row" @submit.prevent="keep(renaming)">
          <VTextField
            v-model="renaming.name"
            v-caret
            class="name"
            label="Name of the room"
            density="compact"
          />
          <VBtn type="submit" variant="outlined" :loading="busy">Save</VBtn>
        </form>
        <template v-else>
          <span>
            <b>{{ room.name }}</b>{{ ' ' }}<span v-if="room.closed" class="tag watch">closed</span>
          </span>
          <span class="row">
            <VBtn variant="text" @click="renaming = { ...room }"
              >Rename<span class="sr"> {{ room.name }}</span></VBtn
            >
            <VBtn variant="text" @click="keep({ ...room, closed: !room.closed })"
              >{{ room.closed ? 'Open' : 'Close' }}<span class="sr"> {{ room.name }}</span></VBtn
            >
          </span>
        </template>
      </li>
    </ul>
    <form class="row" novalidate @submit.prevent="add">
      <VTextField v-model="name" class="name" label="Another room" density="compact" />
      <VBtn type="submit" variant="outlined" :loading="busy" :disabled="!name.trim()">
        Add the room
      </VBtn>
    </form>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.plainlist li {
  align-items: center;
}
.name {
  flex: 1;
  min-width: 180px;
}
</style>
