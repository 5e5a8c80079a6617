<script setup lang="ts">
import { ZONES, type ZoneId } from '#core/face/zones'
import {
  ALL_READING_IDS,
  GRADES,
  READING_NAMES,
  type AnyReadingId,
  type Grade,
  type Readings,
} from '#core/skin/readings'

/** The same readings as a list, for who would rather type than paint. */
defineProps<{ zones: Readings; painted: readonly ZoneId[]; disabled: boolean }>()
const emit = defineEmits<{
  grade: [zone: ZoneId, reading: AnyReadingId, grade: Grade | undefined]
}>()
const pick = (z: ZoneId, r: AnyReadingId, e: Event) => {
  const v = (e.target as HTMLSelectElement).value
  emit('grade', z, r, v === '' ? undefined : (Number(v) as Grade))
}
</script>

<template>
  <details class="panel">
    <summary><b>By list</b> <span class="soft">every zone, every reading</span></summary>
    <div class="scroll">
      <VTable density="compact" class="plain">
        <thead>
          <tr>
            <th>Zone</th>
            <th v-for="r in ALL_READING_IDS" :key="r">{{ READING_NAMES[r] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="z in painted" :key="z">
            <th scope="row">{{ ZONES[z].name }}</th>
            <td v-for="r in ALL_READING_IDS" :key="r">
              <select
                :value="zones[z]?.[r] ?? ''"
                :aria-label="`${ZONES[z].name}, ${READING_NAMES[r]}`"
                :disabled="disabled"
                @change="pick(z, r, $event)"
              >
                <option value="">–</option>
                <option v-for="g in GRADES" :key="g" :value="g">{{ g }}</option>
              </select>
            </td>
          </tr>
        </tbody>
      </VTable>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
.scroll {
  overflow-x: auto;
  font-size: 0.875rem;
}
th {
  white-space: nowrap;
}
td {
  padding: 3px 4px !important;
}
select {
  border: 1px solid var(--oak-light);
  border-radius: 6px;
  background: var(--chalk);
  color: var(--ink);
  min-height: 32px;
  padding: 2px 4px;
}
</style>
