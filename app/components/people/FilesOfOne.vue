<script setup lang="ts">
import type { FilesOfOne } from '#contracts/replies/people'
import { useAttempt } from '~/composables/attempt'
import { dayWords } from '~/composables/dates'
import { aboutFile } from '~/composables/people'
import { useApi } from '~/composables/useApi'

/** Two files of one person: those that are likely, joining them, and taking that back. */
const props = defineProps<{ clientId: string; zone: string }>()
const emit = defineEmits<{ said: [text: string]; changed: [] }>()
const api = useApi()
const path = (what: 'joins' | 'join' | 'part') => `/api/people/${props.clientId}/${what}`
const files = ref<FilesOfOne>({ likely: [], joined: [] })
const { busy, trouble, attempt } = useAttempt()
const joining = ref<{ id: string; name: string } | null>(null)
const asking = ref(false)
const look = async () => {
  files.value = await api<FilesOfOne>(path('joins'))
}
const read = () => attempt(look)
onMounted(read)

let sent = crypto.randomUUID()
function ask(other: { id: string; name: string } | null) {
  joining.value = other
  trouble.value = ''
  sent = crypto.randomUUID()
  asking.value = true
}
const join = () =>
  attempt(async () => {
    const other = joining.value
    if (!other) return
    await api(path('join'), { method: 'POST', body: { id: sent, otherId: other.id } })
    asking.value = false
    emit('said', `The file of ${other.name} is joined into this one.`)
    emit('changed')
    await look()
  })
const part = ({ id, name }: FilesOfOne['joined'][number]) =>
  attempt(async () => {
    await api(path('part'), { method: 'POST', body: { joinId: id } })
    emit('said', `The file of ${name} is separate again.`)
    emit('changed')
    await look()
  })
</script>

<template>
  <div class="panel stack">
    <h2 v-if="files.likely.length || files.joined.length">One person, one file</h2>
    <p v-if="trouble && !asking" role="alert" class="tag stop">{{ trouble }}</p>
    <ul v-if="files.likely.length" class="plainlist" aria-label="Perhaps the same person">
      <li v-for="other in files.likely" :key="other.id" class="between">
        <span>
          Perhaps the same person:
          <NuxtLink :to="`/people/${other.id}`"
            ><bdi>{{ other.name }}</bdi></NuxtLink
          >, {{ aboutFile(other) }}
        </span>
        <VBtn variant="outlined" size="small" @click="ask(other)">Join</VBtn>
      </li>
    </ul>
    <ul v-if="files.joined.length" class="plainlist" aria-label="Joined files">
      <li v-for="own in files.joined" :key="own.id" class="between">
        <span>
          The file of <bdi>{{ own.name }}</bdi> was joined on {{ dayWords(own.at, zone) }} by
          {{ own.by }}.
        </span>
        <VBtn variant="outlined" size="small" :loading="busy" @click="part(own)">Separate</VBtn>
      </li>
    </ul>
    <div class="row">
      <VBtn variant="outlined" @click="ask(null)">Join another file</VBtn>
    </div>
    <JoinDialog
      v-if="asking"
      v-model:other="joining"
      :client-id="clientId"
      :busy="busy"
      :trouble="trouble"
      @join="join"
      @close="asking = false"
    />
  </div>
</template>
