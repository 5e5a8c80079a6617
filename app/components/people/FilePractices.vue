<script setup lang="ts">
import type { ClientPractices } from '#contracts/replies/branches'
import { useAttempt } from '~/composables/attempt'
import { dayWords, isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** At which other practices of the house this client may be seen, and what was done there. */
const props = defineProps<{ clientId: string; name: string; zone: string; mayChange: boolean }>()
const emit = defineEmits<{ said: [text: string]; changed: [] }>()
const api = useApi()
const path = `/api/people/${props.clientId}/practices`
const found = ref<ClientPractices>({ home: null, others: [], treated: [] })
const { busy, trouble, attempt } = useAttempt()
const look = async () => {
  found.value = await api<ClientPractices>(path)
}
onMounted(() => attempt(look))

type Other = ClientPractices['others'][number]
/** The practice that is asked about, and whether the client has agreed. */
const asking = ref<Other | null>(null)
const agreed = ref(false)
function ask(other: Other) {
  trouble.value = ''
  agreed.value = false
  asking.value = other
}
const allow = () =>
  attempt(async () => {
    const other = asking.value
    if (!other) return
    const body = { branch: other.id, allowed: true, agreed: agreed.value }
    await api(path, { method: 'PUT', body })
    asking.value = null
    emit('said', `May be seen at ${other.name} from now on.`)
    await look()
  })
const end = (other: Other) =>
  attempt(async () => {
    await api(path, { method: 'PUT', body: { branch: other.id, allowed: false } })
    emit('said', `Is not seen at ${other.name} any longer. Its file there stays.`)
    emit('changed')
    await look()
  })
const open = computed({
  get: () => asking.value !== null,
  set: (is) => {
    if (!is) asking.value = null
  },
})
</script>

<template>
  <div v-if="found.others.length" class="panel stack">
    <h2>Other practices</h2>
    <p v-if="trouble && !open" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="found.home">A client of {{ found.home }}, seen here too.</p>
    <ul v-else class="plainlist" aria-label="Where this client may be seen">
      <li v-for="other in found.others" :key="other.id" class="between">
        <span v-if="other.since === null" class="soft">Not seen at {{ other.name }}</span>
        <span v-else>Seen at {{ other.name }} too, since {{ dayWords(other.since, zone) }}</span>
        <template v-if="mayChange">
          <VBtn v-if="other.since === null" variant="outlined" size="small" @click="ask(other)">
            Allow
          </VBtn>
          <VBtn v-else variant="outlined" size="small" :loading="busy" @click="end(other)">
            End
          </VBtn>
        </template>
      </li>
    </ul>
    <template v-if="found.treated.length">
      <p class="soft">What was treated elsewhere counts here:</p>
      <ul class="plainlist" aria-label="Treated elsewhere">
        <li v-for="(own, at) in found.treated" :key="at">
          {{ isoDayWords(own.day) }}, {{ own.practice }}
        </li>
      </ul>
    </template>
    <VDialog v-model="open" max-width="560" aria-label="Allow another practice">
      <VCard>
        <form class="stack pa-5" novalidate @submit.prevent="allow">
          <h2>Seen at {{ asking?.name }} too</h2>
          <p>
            {{ asking?.name }} gets a file of <bdi>{{ name }}</bdi>: name, birthday, how to reach
            them, medicines and notes. What is treated at one practice counts at the other: rest
            between treatments, skin load, reactions.
          </p>
          <p class="soft">
            Records, signatures and pictures stay where they were made. You can end it on this page.
          </p>
          <VCheckbox v-model="agreed" label="The client has agreed to it" />
          <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
          <div class="row end">
            <VBtn variant="text" @click="open = false">Close</VBtn>
            <VBtn type="submit" color="primary" :loading="busy" :disabled="!agreed">Allow</VBtn>
          </div>
        </form>
      </VCard>
    </VDialog>
  </div>
</template>
