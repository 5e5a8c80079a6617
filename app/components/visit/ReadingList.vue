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
const pick = (zone: ZoneId, reading: AnyReadingId, event: Event) => {
  const target = (event.target as HTMLSelectElement).value
  emit('grade', zone, reading, target === '' ? undefined : (Number(target) as Grade))
}
</script>

<template>
  <details class="panel">
    <summary><b>By list</b> <span class="soft">every zone, every reading</span></summary>
    <div class="scroll">
      <VTable v-scrolls density="compact" class="plain">
        <thead>
          <tr>
            <th>Zone</th>
            <th v-for="reading in ALL_READING_IDS" :key="reading">{{ READING_NAMES[reading] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="zone in painted" :key="zone">
            <th scope="row">{{ ZONES[zone].name }}</th>
            <td v-for="reading in ALL_READING_IDS" :key="reading">
              <select
                :value="zones[zone]?.[reading] ?? ''"
                :aria-label="`${ZONES[zone].name}, ${READING_NAMES[reading]}`"
                :disabled="disabled"
                @change="pick(zone, reading, $event)"
              >
                <option value="">–</option>
                <option v-for="grade in GRADES" :key="grade" :value="grade">{{ grade }}</option>
              </select>
            </td>
          </tr>
        </tbody>
      </VTable>
    </div>
  </details>
</template>

<style scoped>
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
