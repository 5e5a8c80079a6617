<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { DEED_IDS, DEEDS } from '#core/catalogue/rules/deeds'
import { reachOfBars, type Reach } from '#core/rows/reachRows'

/** What each answer stops: by what is done to the skin, by technique, by what is in a bottle. */
const search = ref('')
const ALL = reachOfBars()
const shown = computed(() => {
  const word = search.value.toLowerCase().trim()
  return ALL.filter((row) =>
    [row.told, row.sentence, ...row.stops].join(' ').toLowerCase().includes(word),
  )
})
/** Nothing may touch it: then nothing may do anything else to it either. */
const everything = ({ all, deeds }: Reach) => all || deeds.includes('touches')
const open = ref<string | null>(null)
const toggle = (id: string) => (open.value = open.value === id ? null : id)
</script>

<template>
  <div>
    <p class="soft intro">
      An answer stops whatever does this to the zone, in whatever step and out of whatever bottle.
      Tap a line for the techniques and bottles it reaches.
    </p>
    <VTextField
      v-model="search"
      class="search"
      label="Search answers and techniques"
      type="search"
    />
    <VTable v-scrolls density="compact" class="plain" fixed-header height="calc(100dvh - 290px)">
      <thead>
        <tr>
          <th>Answer</th>
          <th>Where</th>
          <th v-for="deed in DEED_IDS" :key="deed" class="deed">
            <span>{{ DEEDS[deed].name }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <template v-for="row in shown" :key="row.id">
          <tr>
            <th scope="row">
              <button
                type="button"
                class="told"
                :aria-expanded="open === row.id"
                @click="toggle(row.id)"
              >
                {{ row.told }}
              </button>
            </th>
            <td class="where">{{ row.where }}</td>
            <td v-for="deed in DEED_IDS" :key="deed" class="cell">
              <VIcon
                v-if="everything(row) || row.deeds.includes(deed)"
                :icon="mdiClose"
                size="18"
                color="error"
                :aria-label="`${DEEDS[deed].name}: stopped`"
              />
            </td>
          </tr>
          <tr v-if="open === row.id" class="more">
            <td :colspan="DEED_IDS.length + 2">
              <p>
                <b>{{ row.sentence }}</b>
              </p>
              <p v-if="everything(row)">Stops everything that is done {{ row.where }}.</p>
              <p v-else>Stops: {{ row.stops.join(', ') || 'no technique offered here' }}.</p>
              <p v-if="row.bottles.length && !everything(row)">
                In any bottle, wash, toner or layer: {{ row.bottles.join(', ') }}.
              </p>
              <p v-if="row.leaves.length && !everything(row)">
                Leaves: {{ row.leaves.join(', ') }}.
              </p>
            </td>
          </tr>
        </template>
      </tbody>
    </VTable>
    <p v-if="!shown.length">No answer stops that.</p>
  </div>
</template>

<style scoped>
.intro {
  padding: 10px 0;
}
.search {
  max-width: 420px;
  margin-bottom: 10px;
}
.deed {
  height: 128px;
  padding: 0 2px;
  vertical-align: bottom;
  text-align: center;
}
.deed span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  white-space: nowrap;
}
.told {
  min-height: 36px;
  border: 0;
  background: none;
  cursor: pointer;
  font: inherit;
  font-weight: 600;
  color: var(--basin);
  text-align: left;
}
.where {
  min-width: 150px;
}
.cell {
  text-align: center;
  vertical-align: middle;
  padding: 0 2px;
}
.more p {
  padding: 3px 0;
}
</style>
