<script setup lang="ts">
import { OPENED_KINDS, OPENED_ROWS, type OpenedKind } from '#core/catalogue/rules/opened'
import type { OpenedPage } from '#contracts/replies/opened'
import { dayAndClock } from '~/composables/dates'
import { useOpened } from '~/composables/opened'
import { fieldProblem, sayProblem } from '~/composables/useApi'

/** Everything that is good for a time only: what to use first, what to throw out, what is new. */
useHead({ title: 'Open now · Oak Basin' })
const { opened, ready, error, now, busy, trouble, problem, open, end } = useOpened()
await ready
const zone = computed(() => opened.value?.zone ?? 'UTC')
/** Halves and mixes are one person's: they are kept from the visit they were opened at. */
const kinds = OPENED_KINDS.filter((kind) => !OPENED_ROWS[kind].ofClient)
const what = ref<OpenedKind>('bath')
const name = ref('')
const hours = ref('')
const row = computed(() => OPENED_ROWS[what.value])
async function add() {
  const typed = hours.value.trim().replace(',', '.')
  const kept = await open(what.value, {
    name: name.value,
    hours: row.value.byLabel && typed !== '' ? Number(typed) : null,
  })
  if (!kept) return
  name.value = ''
  hours.value = ''
}
const ENDS: Record<NonNullable<OpenedPage['ended'][number]['ended']>['how'], string> = {
  used: 'used up',
  thrown: 'thrown out',
  home: 'went home with the client',
}
</script>

<template>
  <div class="page">
    <div class="between">
      <h1>Open now</h1>
      <div class="row">
        <VBtn variant="outlined" to="/shelf/cleaning">Cleaning</VBtn>
        <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
      </div>
    </div>
    <p class="soft">
      Things that keep only for a while once opened, mixed, warmed or packed. What is out of time is
      never laid out.
    </p>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <div v-if="opened" class="cols">
      <section class="panel">
        <h2>Use first, from the top</h2>
        <p v-if="!opened.open.length" class="soft">Nothing is open.</p>
        <OpenedList :things="opened.open" :now="now" :zone="zone" :busy="busy" @end="end" />
      </section>
      <div class="stack">
        <form class="panel stack" novalidate @submit.prevent="add">
          <h2>Opened or mixed now</h2>
          <div class="kinds" role="group" aria-label="What it is">
            <VBtn
              v-for="kind in kinds"
              :key="kind"
              :variant="what === kind ? 'flat' : 'outlined'"
              :color="what === kind ? 'primary' : undefined"
              :aria-pressed="what === kind"
              @click="what = kind"
              >{{ OPENED_ROWS[kind].name }}</VBtn
            >
          </div>
          <p class="soft">Good {{ row.sentence }}.</p>
          <VTextField v-model="name" label="Which one, if there are several" hide-details />
          <VTextField
            v-if="row.byLabel"
            v-model="hours"
            label="Good for, by its label"
            suffix="hours"
            inputmode="decimal"
            :error-messages="fieldProblem(problem, 'hours')"
          />
          <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
          <VBtn type="submit" color="primary" :loading="busy">Start its clock</VBtn>
        </form>
        <section v-if="opened.ended.length" class="panel">
          <h2>Lately</h2>
          <ul class="plainlist">
            <li v-for="thing in opened.ended.slice(0, 12)" :key="thing.id">
              <b>{{ thing.name }}</b><template v-if="thing.ended"
                >: {{ ENDS[thing.ended.how] }}
                <span class="soft figures"
                  >{{ dayAndClock(thing.ended.at, zone) }}, {{ thing.ended.by }}</span
                ></template
              >
            </li>
          </ul>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
.cols {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 16px;
  align-items: start;
  margin-top: 12px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
