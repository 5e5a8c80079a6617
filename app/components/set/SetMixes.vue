<script setup lang="ts">
import { describeMeasures } from '#core/dosing/amount'
import type { Tray } from '#core/tray/tray'

/** What is mixed in the room, when, and of how much. */
defineProps<{ mixes: Tray['mixes']; at: (minute: number) => string }>()
</script>

<template>
  <section class="panel">
    <h2>In the room: mix fresh</h2>
    <ul class="plainlist">
      <li v-for="made in mixes" :key="made.key" class="between mix">
        <span
          ><b>{{ made.name }}</b
          ><br /><span class="figures"
            >{{ describeMeasures(made.mix.powder, 'scoop') }} powder<template
              v-for="part in made.mix.parts"
              :key="part.name"
              >, {{ part.words }} {{ part.name }}</template
            ></span
          ><br /><span class="soft"
            >{{ made.mix.words }}; workable {{ made.mix.workingMinutes }} min;
            {{ made.mix.keeps }}</span
          ><span v-for="trouble in made.mix.troubles" :key="trouble" class="tag watch">{{
            trouble
          }}</span></span
        ><span class="big figures serif">{{ at(made.atMinute) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.mix {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.big {
  font-size: 1.6rem;
}
</style>
