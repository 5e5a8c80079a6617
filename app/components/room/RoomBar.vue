<script setup lang="ts">
/** The whole edge: hold, reaction, done. */
defineProps<{ held: boolean; doneWord: string }>()
const emit = defineEmits<{ hold: []; react: []; done: [] }>()
</script>

<template>
  <div class="bar">
    <VBtn class="edge hold" :ripple="false" height="100%" rounded="0" @click="emit('hold')">
      {{ held ? 'Go on' : 'Hold' }}<kbd>H</kbd>
    </VBtn>
    <VBtn class="edge react" :ripple="false" height="100%" rounded="0" @click="emit('react')">
      Reaction<kbd>R</kbd>
    </VBtn>
    <VBtn
      class="edge done"
      data-next
      :ripple="false"
      height="100%"
      rounded="0"
      @click="emit('done')"
    >
      {{ doneWord }}<kbd>Space</kbd>
    </VBtn>
  </div>
</template>

<style scoped>
/* In sight and in reach whatever stands above it, also on a screen at twice the size. */
.bar {
  position: sticky;
  bottom: 0;
  z-index: 1;
  grid-area: bar;
  display: grid;
  grid-template-columns: 230px 290px 1fr;
  gap: 2px;
}
.edge {
  font-size: 1.6rem;
  font-weight: 560;
  letter-spacing: 0;
  color: var(--candle);
}
.edge :deep(.v-btn__content) {
  flex-direction: column;
  gap: 4px;
}
.hold {
  background: var(--ember);
}
.react {
  background: var(--warn-ground);
  color: var(--warn-text);
}
.done {
  background: var(--enamel);
  color: var(--snow);
}
kbd {
  font-family: inherit;
  font-size: 0.875rem;
  opacity: 0.9;
}
@media (max-height: 620px) {
  .bar {
    height: 84px;
    align-self: end;
  }
}
@media (max-width: 1000px) {
  .bar {
    grid-template-columns: 1fr 1fr 2fr;
  }
}
</style>
