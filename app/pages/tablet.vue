<script setup lang="ts">
import { howMany } from '#core/words'
import { useEventListener } from '@vueuse/core'
import { SOUNDS, useTablet, type Sound } from '~/composables/tablet'
import { playTone } from '~/composables/room/sounds'

useHead({ title: 'This tablet · Oak Basin' })
const { name, pedal, sound } = useTablet()
const learning = ref(false)
const heard = ref(0)
const KEY_NAMES: Readonly<Record<string, string>> = { ' ': 'Space' }
const keyName = (key: string) => KEY_NAMES[key] ?? key
/** Keys by which one leaves a page or moves in it are no foot switch. */
const TAKEN = ['Tab', 'Escape', 'Shift', 'Control', 'Alt', 'Meta']
const trouble = ref('')
useEventListener('keydown', (event: KeyboardEvent) => {
  if ((event.target as Element).closest('input,textarea')) return
  if (learning.value) {
    event.preventDefault()
    if (TAKEN.includes(event.key)) {
      trouble.value = `${event.key} moves about the page: set the pedal to another key.`
      return
    }
    pedal.value = event.key
    learning.value = false
    trouble.value = ''
    heard.value = 0
  } else if (pedal.value !== '' && event.key === pedal.value) {
    event.preventDefault()
    if (!event.repeat) heard.value += 1
  }
})
const SOUND_WORDS: Readonly<Record<Sound, string>> = {
  soft: 'Soft tones when something is due, late or stopped',
  silent: 'Silent: the edge of the screen breathes instead',
}
</script>

<template>
  <div class="tablet stack">
    <h1>This tablet</h1>
    <p class="soft">Saved on this device only, for everyone who signs in.</p>
    <section class="panel stack">
      <h2>Its name</h2>
      <VTextField v-model="name" label="Name of this tablet" maxlength="40" />
      <p class="soft">Another tablet in the same room shows it.</p>
    </section>
    <section class="panel stack">
      <h2>Foot switch</h2>
      <p>
        {{ pedal === '' ? 'None yet.' : `It sends the key ${keyName(pedal)}.` }}
        In the room it does what the big button says.
      </p>
      <div class="row">
        <VBtn color="primary" @click="learning = !learning">
          {{ learning ? 'Press the pedal now' : 'Learn its key' }}
        </VBtn>
        <VBtn v-if="pedal !== ''" variant="outlined" @click="pedal = ''">Remove pedal</VBtn>
      </div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p v-if="pedal !== '' && !learning" role="status">
        {{ heard === 0 ? 'Press it to try it.' : `Heard ${howMany(heard, 'time')}.` }}
      </p>
    </section>
    <section class="panel stack">
      <h2>In the room</h2>
      <VRadioGroup v-model="sound" label="Sounds" hide-details>
        <VRadio v-for="own in SOUNDS" :key="own" :value="own" :label="SOUND_WORDS[own]" />
      </VRadioGroup>
      <VBtn variant="outlined" class="align-self-start" @click="playTone('due')">Test sound</VBtn>
    </section>
  </div>
</template>

<style scoped>
.tablet {
  padding: 20px 28px;
  max-width: 720px;
}
</style>
