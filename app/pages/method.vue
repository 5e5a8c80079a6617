<script setup lang="ts">
import { ADAPTATIONS } from '#core/catalogue/adaptations'
import { CONTRAINDICATIONS } from '#core/catalogue/contraindications'
import { FINDINGS } from '#core/catalogue/findings'
import { FAMILY_NAMES } from '#core/catalogue/kinds'
import { ORDER_RULES } from '#core/catalogue/orderRules'
import { REST_INTERVALS } from '#core/catalogue/rim'
import { STOP_RULES } from '#core/catalogue/stopRules'
import { TECHNIQUES } from '#core/catalogue/techniques'

useHead({ title: 'Method · Oak Basin' })
const search = ref('')
interface Row { group: string, title: string, sentence: string, reason: string, source: string, id: string }
const ALL: Row[] = [
  ...Object.values(TECHNIQUES).map((t): Row => ({ group: 'Techniques', id: t.id, title: t.name, sentence: `${t.hand} Done when: ${t.cue}`, reason: t.reason, source: t.source })),
  ...CONTRAINDICATIONS.map((c): Row => ({ group: 'Contraindications', id: c.id, title: FINDINGS[c.finding].short, sentence: `${c.sentence}${c.families.length ? ` Stops: ${c.families.map((f) => FAMILY_NAMES[f]).join(', ')}.` : ''}`, reason: c.reason, source: c.source })),
  ...ADAPTATIONS.map((a): Row => ({ group: 'Adaptations', id: a.id, title: TECHNIQUES[a.technique].name, sentence: a.sentence, reason: '', source: a.source })),
  ...[...ORDER_RULES.values()].map((r): Row => ({ group: 'Rules of the plan', id: r.id, title: r.strength, sentence: r.sentence, reason: r.locked ? 'locked' : '', source: r.source })),
  ...REST_INTERVALS.map((r): Row => ({ group: 'Rest intervals', id: r.id, title: `${r.days} days`, sentence: r.sentence, reason: '', source: r.source })),
  ...Object.values(STOP_RULES).map((r): Row => ({ group: 'Stop rules', id: r.id, title: 'in the room', sentence: r.sentence, reason: '', source: r.source })),
]
const groups = computed(() => {
  const word = search.value.toLowerCase().trim()
  const hits = ALL.filter((r) => `${r.group} ${r.title} ${r.sentence} ${r.reason} ${r.id}`.toLowerCase().includes(word))
  return [...new Set(hits.map((h) => h.group))].map((g) => ({ name: g, rows: hits.filter((h) => h.group === g) }))
})
</script>

<template>
  <div class="method">
    <h1>Method</h1><p class="soft">Every row the house computes with: what it says, why, and where it comes from.</p>
    <VTextField v-model="search" class="search" label="Search techniques and rules" type="search" />
    <section v-for="g in groups" :key="g.name" class="panel mb-4"><h2>{{ g.name }} <span class="soft n figures">{{ g.rows.length }}</span></h2><table class="plain"><tbody><tr v-for="r in g.rows" :key="r.id"><td class="t"><b>{{ r.title }}</b></td><td>{{ r.sentence }} <span v-if="r.reason" class="why">{{ r.reason }}</span></td><td class="soft s">{{ r.source }}<br>{{ r.id }}</td></tr></tbody></table></section>
    <p v-if="!groups.length">No row holds that word.</p>
  </div>
</template>

<style scoped>.method { padding: 20px 28px; } .search { max-width: 420px; margin: 10px 0 14px; } .t { width: 190px; } .s { width: 220px; font-size: 0.8125rem; } .n { font-family: var(--sans); font-size: 0.9rem; }</style>
