<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import type { DevicePart } from '#contracts/replies/house'

/** Heads, tips and electrodes of a device, and how many of each there are. */
const parts = defineModel<DevicePart[]>({ required: true })
const add = () => {
  parts.value = [
    ...parts.value,
    { id: crypto.randomUUID(), name: '', pieces: 1, reorderPieces: null },
  ]
}
const drop = (id: string) => {
  parts.value = parts.value.filter((part) => part.id !== id)
}
const nameOf = (part: DevicePart) => part.name || 'this part'
</script>

<template>
  <fieldset class="stack">
    <legend>Heads, tips, electrodes</legend>
    <div v-for="part in parts" :key="part.id" class="part">
      <VTextField v-model="part.name" label="Part" maxlength="60" hide-details />
      <VTextField v-model="part.pieces" label="Pieces" inputmode="numeric" hide-details />
      <VTextField
        v-model="part.reorderPieces"
        label="Order below"
        inputmode="numeric"
        hide-details
      />
      <VBtn variant="text" icon :aria-label="`Remove ${nameOf(part)}`" @click="drop(part.id)"
        ><VIcon :icon="mdiClose"
      /></VBtn>
    </div>
    <VBtn variant="outlined" class="add" @click="add">Add a part</VBtn>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 100px 120px 44px;
  gap: 8px;
  align-items: center;
}
.add {
  align-self: flex-start;
}
</style>
