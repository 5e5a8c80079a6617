<script setup lang="ts">
import { ROUTINE_FORMAT, type RoutineDocument } from '#contracts/routineFile'
import { HOME_STEPS, HOME_STEP_IDS } from '#core/catalogue/home/homeSteps'
import { NIGHTS } from '#core/catalogue/home/nightRows'
import {
  asUsed,
  NOTHING_ASKED,
  offeredSteps,
  offeredWishes,
  type HomeAsked,
  type HomeWishes,
} from '#core/home/asked'
import { namesFor, routineFor } from '#core/home/routine'
import { canonical } from '#core/record/canonical'
import type { Adherence } from '#core/home/adherence'
import { accepts } from '#core/visit/accepts'
import { adherenceAt } from '#core/visit/adherence'
import { homeQuestionOf } from '#core/visit/homeQuestion'
import { useAfterwards } from '~/composables/afterwards'
import { dayAndClock } from '~/composables/dates'
import { offerFile } from '~/composables/files'
import { useDraft } from '~/composables/useDraft'
import { useVisit } from '~/stores/visit'

/** Writes the routine for home: asked first, then worked out as it is typed. */
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const { after, trouble, busy, send, attempt } = await useAfterwards()
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'home'),
)
const last = computed(() => after.value?.routine ?? null)
const asked = ref<HomeAsked>(after.value?.asked?.asked ?? last.value?.asked ?? NOTHING_ASKED)
const kept = computed<Adherence>(() =>
  bundle.value
    ? adherenceAt(bundle.value, last.value?.routine ?? null, asked.value)
    : { level: 'unknown', signs: [] },
)
const offered = (): HomeWishes =>
  visit.input
    ? offeredWishes(
        asUsed(asked.value, bundle.value?.answers ?? {}),
        visit.input.profile,
        kept.value.level,
      )
    : { nights: [], vitaminC: false, named: {} }
const wishes = ref<HomeWishes>(last.value?.wishes ?? offered())
const packs = computed({
  get: () => asked.value.packs,
  set: (left) => {
    asked.value = { ...asked.value, packs: left }
  },
})
const draft = useDraft({
  key: () => `home-${bundle.value?.visit.id ?? ''}`,
  value: () => ({ asked: asked.value, wishes: wishes.value }),
  restore: (kept) => {
    asked.value = kept.asked
    wishes.value = kept.wishes
  },
})
onMounted(draft.start)
const question = computed(
  () => bundle.value && homeQuestionOf(bundle.value, asked.value, wishes.value),
)
const routine = computed(() => question.value && routineFor(question.value))
const offerAnew = () => {
  asked.value = { ...asked.value, steps: offeredSteps(asked.value, kept.value.level) }
  wishes.value = offered()
}
/** Steps of this routine for which the shelf has a product, and what may be named for each. */
const names = computed(() => {
  const shown = new Set(
    [...(routine.value?.morning ?? []), ...(routine.value?.evening ?? [])].map(({ id }) => id),
  )
  return HOME_STEP_IDS.filter((id) => shown.has(id)).flatMap((id) => {
    const fit = question.value ? namesFor(id, question.value) : []
    const items = [
      { value: '', title: 'the kind only' },
      ...fit.map((own) => ({ value: own.id, title: own.name })),
    ]
    return fit.length > 0 ? [{ id, name: HOME_STEPS[id].name, items, first: fit[0]?.id ?? '' }] : []
  })
})
const name = (id: string, value: string) => {
  const named = { ...wishes.value.named, [id]: value === '' ? null : value }
  wishes.value = { ...wishes.value, named }
}
const chosenName = (id: string, first: string) => {
  const own = wishes.value.named[id]
  return own === null ? '' : (own ?? first)
}
const versionWords = computed(() => {
  const [latest] = after.value?.versions ?? []
  if (!latest || !bundle.value) return 'Not written yet.'
  const count = after.value?.versions.length ?? 0
  const when = dayAndClock(latest.at, bundle.value.practice.timeZone)
  return `Version ${count}, ${when} by ${latest.by}.`
})
/** @returns whether it was kept */
const keep = async () => {
  const body = { id: crypto.randomUUID(), asked: asked.value, wishes: wishes.value }
  const kept = await send('/routine', body)
  if (kept) await draft.drop()
  return kept
}
const isSaved = computed(() => {
  const asSaved = last.value && { asked: last.value.asked, wishes: last.value.wishes }
  return canonical(asSaved) === canonical({ asked: asked.value, wishes: wishes.value })
})
/** The routine as it was saved last, for another house. */
function exportFile() {
  if (!last.value || !bundle.value) return
  const document: RoutineDocument = {
    ...ROUTINE_FORMAT,
    practice: bundle.value.practice.name,
    writtenAt: new Date(last.value.at).toISOString(),
    routine: last.value.routine,
  }
  offerFile(JSON.stringify(document, null, 2), 'routine.json', 'application/json')
}
/** What goes home on paper is what is on file. */
async function print() {
  if (may.value && !isSaved.value && !(await keep())) return
  await attempt(async () => {
    await visit.send('/printed', 'POST')
    await nextTick()
    window.print()
  })
}
</script>

<template>
  <div v-if="bundle && routine" class="page">
    <StopAction>
      <VBtn v-if="last" variant="outlined" @click="exportFile">Routine as a file</VBtn>
      <VBtn variant="outlined" @click="print">{{
        may && !isSaved ? 'Save and print' : 'Print for the mirror'
      }}</VBtn>
      <VBtn v-if="may" color="primary" :loading="busy" @click="keep">Save the routine</VBtn>
    </StopAction>
    <div class="stack noprint">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p class="soft">
        <VBtn variant="text" size="small" :to="`/visits/${bundle.visit.id}/close`"
          >Back to Close</VBtn
        >
        {{ versionWords }}
      </p>
      <KeptPanel
        v-if="last"
        v-model="packs"
        :adherence="kept"
        :routine="last.routine"
        :disabled="!may"
      />
      <section class="panel stack">
        <div class="between">
          <h2>What the evenings are for</h2>
          <VBtn v-if="may" variant="text" size="small" @click="offerAnew">Offer anew</VBtn>
        </div>
        <WishList v-model="wishes" :disabled="!may" />
      </section>
      <section v-if="routine.short.length || routine.left.length" class="panel">
        <h2>What did not fit</h2>
        <ul class="plainlist">
          <li v-for="own in routine.short" :key="own.id">
            <b>{{ NIGHTS[own.id].name }}</b><span v-if="own.wanted"
              >: {{ own.got }} of {{ own.wanted }} evenings</span
            >
            <span v-for="why in own.why" :key="why" class="soft why-line">{{ why }}</span>
          </li>
          <li v-for="own in routine.left" :key="own.name">
            <b>{{ own.name }}</b><span class="soft why-line">{{ own.why }}</span>
          </li>
        </ul>
      </section>
      <details class="panel">
        <summary><h2>Products by name</h2></summary>
        <VSelect
          v-for="own in names"
          :key="own.id"
          class="mt-2"
          :model-value="chosenName(own.id, own.first)"
          :items="own.items"
          :label="own.name"
          density="compact"
          hide-details
          :disabled="!may"
          @update:model-value="(value: string) => name(own.id, value)"
        />
      </details>
      <details class="panel" :open="after?.asked === null">
        <summary><h2>What was asked</h2></summary>
        <HomeAskForm v-model="asked" :answers="bundle?.answers ?? {}" :disabled="!may" />
      </details>
    </div>
    <section class="panel sheet">
      <RoutineSheet :routine="routine" :client="bundle.client.name" :practice="bundle.practice" />
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 430px minmax(0, 1fr);
  gap: 16px;
  padding: 8px 24px 30px;
  align-items: start;
}
.why-line {
  display: block;
}
@media (max-width: 1000px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .page {
    display: block;
    padding: 0;
  }
  .sheet {
    border: 0;
    padding: 0;
  }
}
</style>
