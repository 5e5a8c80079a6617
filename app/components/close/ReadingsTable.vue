<script setup lang="ts">
import { ZONES, ZONE_IDS } from '#core/face/zones'
import { READING_IDS, READING_NAMES, type Readings } from '#core/skin/readings'

/** What was read of the skin, before and bare; zones that read alike stand in one line. */
const props = defineProps<{ madeUp?: Readings | null; bare?: Readings | null }>()
/** Each zone with what was read before and on the bare skin: "2" twice alike, "1 → 2" where it differed. */
const readings = computed(() => {
  const { madeUp, bare } = props
  return ZONE_IDS.flatMap((zone) => {
    const [before, after] = [madeUp?.[zone], bare?.[zone]]
    if (!before && !after) return []
    const cells = READING_IDS.map((id) => {
      const [one, other] = [before?.[id], after?.[id]]
      if (one === undefined && other === undefined) return '–'
      if (other === undefined || one === other) return String(one)
      return one === undefined ? String(other) : `${one} → ${other}`
    })
    return [{ name: ZONES[zone].name, cells, as: cells.join('|') }]
  })
})
/** Zones that read alike stand in one line. */
const alike = computed(() =>
  [...new Set(readings.value.map((own) => own.as))].map((as) => {
    const same = readings.value.filter((own) => own.as === as)
    if (same.length === ZONE_IDS.length)
      return { as, names: 'Every zone', cells: same[0]?.cells ?? [] }
    const names = same.map(({ name }, at) => (at === 0 ? name : name.toLowerCase())).join(', ')
    return { as, names, cells: same[0]?.cells ?? [] }
  }),
)
</script>

<template>
  <VTable v-if="readings.length" v-scrolls density="compact" class="plain readings">
    <thead>
      <tr>
        <th>Zone</th>
        <th v-for="id in READING_IDS" :key="id">{{ READING_NAMES[id] }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="own in alike" :key="own.as">
        <td>{{ own.names }}</td>
        <td v-for="(cell, at) in own.cells" :key="at" class="figures">{{ cell }}</td>
      </tr>
    </tbody>
  </VTable>
  <p v-else>Not read.</p>
</template>

<style scoped>
.readings {
  font-size: 0.8125rem;
}
</style>
