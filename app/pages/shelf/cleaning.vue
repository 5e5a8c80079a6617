<script setup lang="ts">
import { TOOLS } from '#core/catalogue/techniques/tools'
import { MINUTE_MS } from '#core/units'
import type { ToolsPage } from '#contracts/replies/tools'
import { useAttempt } from '~/composables/attempt'
import { clock, dayWords } from '~/composables/dates'
import { useTools } from '~/composables/tools'
import { sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

/** Every tool that touches skin: which are clean, what is to be done with the others, who did what. */
useHead({ title: 'Cleaning · Oak Basin' })
const api = useApi()
const session = useSession()
const { tools, error, refresh, now } = await useTools()
const { busy, trouble, attempt } = useAttempt()
const may = computed(() => session.me !== null && session.me.role !== 'trainee')
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const STEP_WORDS = {
  washed: 'washed',
  soaking: 'into the disinfectant',
  ready: 'dried, ready',
  changed: 'worn part changed',
} as const
const form = ref<{
  tool: ToolsPage['tools'][number]['tool']
  pieces: string
  minutes: string
  changeAfter: string
} | null>(null)
const edit = ({ tool, pieces, contactMinutes, wear }: ToolsPage['tools'][number]) => {
  form.value = {
    tool,
    pieces: String(pieces),
    minutes: String(contactMinutes),
    changeAfter: wear ? String(wear.after) : '',
  }
}
const save = () =>
  attempt(async () => {
    if (!form.value) return
    await api('/api/tools', {
      method: 'PUT',
      body: {
        tool: form.value.tool,
        pieces: Number(form.value.pieces),
        contactMinutes: Number(form.value.minutes),
        changeAfter: form.value.changeAfter ? Number(form.value.changeAfter) : null,
      },
    })
    form.value = null
    await refresh()
  })
/** What asks for a hand first. */
const inTurn = computed(() =>
  [...(tools.value?.tools ?? [])].sort(
    (one, other) =>
      Number(one.clean === one.pieces) - Number(other.clean === other.pieces) ||
      other.used - one.used,
  ),
)
const when = (at: number) => `${dayWords(at, zone)}, ${clock(at, zone)}`
const afterwards = ({ at, enteredAt }: ToolsPage['log'][number]) => enteredAt - at > MINUTE_MS
const print = () => {
  window.print()
}
</script>

<template>
  <div class="page">
    <div class="between noprint">
      <h1>Cleaning</h1>
      <div class="row">
        <VBtn variant="outlined" @click="print">Print the log</VBtn>
        <VBtn variant="outlined" to="/shelf/open">Open now</VBtn>
        <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
      </div>
    </div>
    <p class="soft noprint">
      After each client a tool is washed, kept wet with disinfectant for the time on its label, and
      dried. Until then it is never laid out.
    </p>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div v-if="tools" class="cols">
      <section class="panel noprint">
        <h2>Tools</h2>
        <div v-for="tool in inTurn" :key="tool.tool">
          <ToolCleaning :tool="tool" :now="now" :zone="zone" @changed="refresh">
            <VBtn v-if="may" size="small" variant="text" @click="edit(tool)"
              >Pieces<span class="sr"> of the {{ TOOLS[tool.tool].name }}</span></VBtn
            >
          </ToolCleaning>
          <form v-if="form?.tool === tool.tool" class="row edit" novalidate @submit.prevent="save">
            <VTextField
              v-model="form.pieces"
              label="Pieces in use"
              inputmode="numeric"
              hide-details
            />
            <VTextField
              v-model="form.minutes"
              label="Minutes wet, by the label"
              inputmode="numeric"
              hide-details
            />
            <VTextField
              v-if="tool.wear"
              v-model="form.changeAfter"
              :label="`Visits until the ${tool.wear.part} is changed`"
              inputmode="numeric"
              hide-details
            />
            <VBtn type="submit" color="primary" :loading="busy">Save</VBtn>
            <VBtn variant="text" @click="form = null">Cancel</VBtn>
          </form>
        </div>
      </section>
      <section class="panel">
        <h2>Log</h2>
        <p v-if="!tools.log.length" class="soft">Nothing has been cleaned yet.</p>
        <VTable v-else v-scrolls density="compact" class="plain">
          <thead>
            <tr>
              <th>When</th>
              <th>Tool</th>
              <th>Pieces</th>
              <th>Step</th>
              <th>By</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in tools.log" :key="line.id">
              <td class="figures">{{ when(line.at) }}</td>
              <td>{{ TOOLS[line.tool].name }}</td>
              <td class="figures">{{ line.pieces }}</td>
              <td>
                {{ STEP_WORDS[line.step]
                }}<span v-if="afterwards(line)" class="soft"
                  >, entered at {{ clock(line.enteredAt, zone) }}</span
                >
              </td>
              <td>{{ line.by }}</td>
            </tr>
          </tbody>
        </VTable>
      </section>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
.cols {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  align-items: start;
  margin-top: 12px;
}
.edit {
  flex-wrap: nowrap;
  margin-bottom: 8px;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .cols {
    display: block;
  }
}
</style>
