<script setup lang="ts">
import type { LotHistory, ShelfLot, ShelfRow } from '#contracts/replies/shelf'
import { asCounted, countedIn } from '#core/dosing/byHand'
import { fromHundredths, toHundredths } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock, isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** One bottle: what is printed on it, what happened to it, what is left, and who had of it. */
const props = defineProps<{ row: ShelfRow; lot: ShelfLot; zone: string }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const history = ref<LotHistory | null>(null)
const code = ref(props.lot.code)
const expires = ref(props.lot.expires)
const unit = countedIn(props.row.product)
const told = (ml: number) => asCounted(props.row.product, ml)
const counted = ref(String(told(props.lot.remainingMillilitres)))
const reason = ref('')
const WORDS: Readonly<Record<string, string>> = {
  received: 'received',
  opened: 'opened',
  used: 'used',
  counted: 'counted',
  writtenOff: 'written off',
  recalled: 'recalled',
  corrected: 'corrected',
}
async function load() {
  history.value = await api<LotHistory>(`/api/movements?lot=${encodeURIComponent(props.lot.id)}`)
}
onMounted(() => attempt(load))
const act = (work: () => Promise<unknown>) =>
  attempt(async () => {
    await work()
    reason.value = ''
    await load()
    emit('changed')
  })
const copy = () =>
  act(() =>
    api('/api/lots', {
      method: 'PUT',
      body: { lotId: props.lot.id, code: code.value, expires: expires.value },
    }),
  )
const move = (kind: 'opened' | 'counted' | 'writtenOff') =>
  act(() => {
    const { id: lotId } = props.lot
    const own = { id: crypto.randomUUID(), lotId, kind, reason: reason.value }
    const left = { millilitres: Number(counted.value.replace(',', '.')) * unit.millilitres }
    return api('/api/movements', {
      method: 'POST',
      body: kind === 'counted' ? { ...own, ...left } : own,
    })
  })
const sum = computed(() =>
  fromHundredths(
    (history.value?.movements ?? []).reduce(
      (total, { millilitres }) => total + toHundredths(millilitres),
      0,
    ),
  ),
)
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="720"
    aria-label="Bottle"
    @update:model-value="emit('close')"
  >
    <VCard>
      <div class="stack pa-5">
        <h2>{{ row.product.name }}</h2>
        <form class="row" novalidate @submit.prevent="copy">
          <VTextField v-model="code" label="Code on the bottle" density="compact" />
          <DayField v-model="expires" label="Good until" density="compact" />
          <VBtn type="submit" variant="outlined" :loading="busy">Save code and date</VBtn>
        </form>
        <div class="row">
          <VTextField
            v-model="counted"
            label="Left, as counted"
            :suffix="unit.name"
            inputmode="decimal"
            density="compact"
          />
          <VBtn variant="outlined" :loading="busy" @click="move('counted')">Save count</VBtn>
          <VBtn v-if="!lot.openedOn" variant="outlined" @click="move('opened')">
            Opened today
          </VBtn>
        </div>
        <div class="row">
          <VTextField v-model="reason" label="Reason" density="compact" />
          <VBtn variant="outlined" :disabled="!reason.trim()" @click="move('writtenOff')">
            Discard bottle
          </VBtn>
        </div>
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <template v-if="history">
          <VTable v-scrolls density="compact" class="plain figures">
            <thead>
              <tr>
                <th>When</th>
                <th>What</th>
                <th>{{ unit.name }}</th>
                <th>Who</th>
                <th>Reason</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="line in history.movements" :key="line.id">
                <td>{{ dayAndClock(line.at, zone) }}</td>
                <td>{{ WORDS[line.kind] ?? line.kind }}</td>
                <td>{{ line.millilitres > 0 ? '+' : '' }}{{ told(line.millilitres) }}</td>
                <td>{{ line.by }}</td>
                <td>{{ line.reason }}</td>
              </tr>
            </tbody>
          </VTable>
          <p>
            <b class="figures">{{ told(sum) }} {{ unit.name }} left.</b>
            {{ history.clients.length === 0 ? 'Not used on any client.' : 'Used on:' }}
          </p>
          <ul v-if="history.clients.length" class="plainlist">
            <li v-for="client in history.clients" :key="`${client.id}${client.day}`">
              <NuxtLink :to="`/people/${client.id}`"
                ><bdi>{{ client.name }}</bdi></NuxtLink
              >{{ ' ' }}<span class="soft">{{ isoDayWords(client.day) }}</span>
            </li>
          </ul>
        </template>
        <VBtn variant="text" @click="emit('close')">Close</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>
