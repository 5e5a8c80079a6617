<script setup lang="ts">
/** A button for wet hands: at least 64 px, its key beside its word. */
withDefaults(
  defineProps<{
    /** `go` is what usually comes next; `warn` is about a reaction; `quiet` is by the way. */
    tone?: 'key' | 'go' | 'warn' | 'quiet'
    /** The key that does the same. */
    hotkey?: string
    /** One sign only, as wide as it is high. */
    square?: boolean
    to?: string
    disabled?: boolean
  }>(),
  { tone: 'key', hotkey: undefined, to: undefined },
)
</script>

<template>
  <VBtn
    :to="to"
    :disabled="disabled"
    :ripple="false"
    class="key"
    :class="[tone, { square }]"
    :height="tone === 'quiet' ? 44 : 64"
    :min-width="64"
    :variant="tone === 'quiet' ? 'text' : 'flat'"
    rounded="xl"
  >
    <slot /><kbd v-if="hotkey">{{ hotkey }}</kbd>
  </VBtn>
</template>

<style scoped>
.key {
  padding: 0 20px;
  border: 1.5px solid var(--brass);
  background: var(--hearth);
  color: var(--candle);
  font-size: 1.0625rem;
  letter-spacing: 0;
  white-space: normal;
}
.key :deep(.v-btn__content) {
  gap: 10px;
}
.square {
  padding: 0;
  font-size: 1.6rem;
}
.go {
  background: var(--enamel);
  border-color: var(--enamel-light);
  color: var(--snow);
  font-weight: 650;
}
.warn {
  background: var(--warn-key);
  border-color: var(--stop-line);
  color: var(--warn-soft);
}
.quiet {
  background: none;
  border: 0;
  color: var(--candle-key);
  text-decoration: underline;
}
/* What cannot be tapped yet recedes; it never shines brighter than what can. */
.key.v-btn--disabled {
  background: transparent;
  border-style: dashed;
  color: var(--candle-dim);
  opacity: 0.7;
}
.key.v-btn--disabled :deep(.v-btn__overlay) {
  opacity: 0;
}
kbd {
  font-family: inherit;
  font-size: 0.875rem;
  color: inherit;
  opacity: 0.85;
}
/* A narrow screen is worked by touch: the words take the room of the keys. */
@media (max-width: 1100px) {
  .key {
    padding: 0 16px;
  }
  kbd {
    display: none;
  }
}
</style>
