<script setup lang="ts">
import { nameRegions } from '#core/face/regions'
import type { VisitBundle } from '#core/visit/bundle'
import { clock } from '~/composables/dates'

/** Pictures that were taken in the room: for the file, shown to nobody else and never printed. */
const props = defineProps<{ bundle: VisitBundle }>()
const words = ({ at, regions }: VisitBundle['photographs'][number]) =>
  [clock(at, props.bundle.practice.timeZone), nameRegions(regions)].filter(Boolean).join(', ')
const source = (id: string) => `/api/visits/${props.bundle.visit.id}/photograph?photograph=${id}`
</script>

<template>
  <section class="panel noprint">
    <h2>Pictures, for the file only</h2>
    <ul class="plainlist pictures">
      <li v-for="own in bundle.photographs" :key="own.id">
        <img :src="source(own.id)" :alt="`Taken at ${words(own)}`" loading="lazy" />
        <span class="soft figures">{{ words(own) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 10px;
}
.pictures li {
  display: flex;
  flex-direction: column;
}
img {
  width: 100%;
  border-radius: 8px;
}
</style>
