<script setup lang="ts">
import type { Tray } from '#core/tray/tray'

/** What is asked or felt for before the first touch, and how this client wants it. */
defineProps<{
  confirms: Tray['confirms']
  notes: readonly { id: string; text: string }[]
}>()
</script>

<template>
  <section class="panel">
    <h2>Before you begin</h2>
    <ul class="plainlist">
      <li v-for="confirm in confirms" :key="confirm.say">
        <b>{{ confirm.say }}</b><template v-if="confirm.steps.length"
          ><br /><span class="soft">before {{ confirm.steps.join(', ').toLowerCase() }}</span>
        </template>
      </li>
      <li v-for="note in notes" :key="note.id">{{ note.text }}</li>
    </ul>
  </section>
</template>
