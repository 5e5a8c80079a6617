<script setup lang="ts">
import type { HouseFields } from '#contracts/house'
import { MESSAGE_LETTERS, MESSAGE_WORDS } from '#core/catalogue/rules/messages'
import { SCHOOL_IDS, SCHOOLS } from '#core/catalogue/schools/schools'
import { takeOver } from '~/composables/takeOver'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'

/** All that the house says of itself: on cards, in the calendar, in the record. */
const props = defineProps<{ house: HouseFields }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const form = reactive({ ...props.house })
const trouble = ref<unknown>(null)
const busy = ref(false)
const kept = ref(false)
/** What the fields showed when they were last as the house has them. */
let base = { ...props.house }
watch(
  () => props.house,
  (house) => {
    takeOver(form, house, base)
    base = { ...house }
  },
)
const MESSAGES = [
  { field: 'questionMessage', label: 'Message with a question', usual: MESSAGE_WORDS.question },
  { field: 'cardMessage', label: 'Message with the card', usual: MESSAGE_WORDS.card },
] as const
const schools = SCHOOL_IDS.map((id) => ({ value: id, title: SCHOOLS[id].name }))
const zones = Intl.supportedValuesOf('timeZone')
const currencies = Intl.supportedValuesOf('currency')

async function save() {
  busy.value = true
  trouble.value = null
  kept.value = false
  const sent = { ...form }
  try {
    const body = {
      ...sent,
      cleaningMinutes: Number(sent.cleaningMinutes),
      retentionYears: Number(sent.retentionYears),
      lockMinutes: Number(sent.lockMinutes),
    }
    await api('/api/house', { method: 'PUT', body })
    kept.value = true
    base = sent
    emit('changed')
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
const err = (field: string) => fieldProblem(trouble.value, field)
</script>

<template>
  <section class="panel">
    <form class="stack" novalidate @submit.prevent="save">
      <h2>The practice</h2>
      <VTextField v-model="form.name" label="Name" :error-messages="err('name')" />
      <VTextField v-model="form.address" label="Address" :error-messages="err('address')" />
      <div class="pair">
        <VTextField v-model="form.phone" label="Phone" :error-messages="err('phone')" />
        <VTextField
          v-model="form.emergency"
          label="Emergency number"
          :error-messages="err('emergency')"
        />
        <VAutocomplete
          v-model="form.timeZone"
          label="Time zone"
          :items="zones"
          :error-messages="err('timeZone')"
        />
        <VAutocomplete
          v-model="form.currency"
          label="Currency"
          :items="currencies"
          :error-messages="err('currency')"
        />
        <VSelect v-model="form.school" label="School of new visits" :items="schools" />
        <VTextField
          v-model="form.cleaningMinutes"
          label="Cleaning after a visit"
          suffix="min"
          inputmode="numeric"
          :error-messages="err('cleaningMinutes')"
        />
        <VTextField
          v-model="form.lockMinutes"
          label="A tablet locks itself after"
          suffix="min"
          inputmode="numeric"
          :error-messages="err('lockMinutes')"
        />
        <VTextField
          v-model="form.retentionYears"
          label="Records are kept"
          suffix="years"
          inputmode="numeric"
          hint="As your local code asks."
          persistent-hint
          :error-messages="err('retentionYears')"
        />
      </div>
      <VTextField
        v-model="form.cardText"
        label="Your own words at the foot of the client’s card"
        maxlength="400"
        :error-messages="err('cardText')"
      />
      <ClaimsRead v-model="form.cardText" />
      <VTextField
        v-for="own in MESSAGES"
        :key="own.field"
        v-model="form[own.field]"
        :label="own.label"
        :placeholder="own.usual"
        persistent-placeholder
        :maxlength="MESSAGE_LETTERS"
        :error-messages="err(own.field)"
      />
      <VCheckbox
        v-model="form.ownersSecondFactor"
        label="Owners sign in with a second factor"
        hide-details="auto"
        :error-messages="err('ownersSecondFactor')"
      />
      <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
      <div class="row">
        <VBtn type="submit" color="primary" :loading="busy">Save practice</VBtn>
        <span v-if="kept" role="status" class="soft">saved</span>
      </div>
    </form>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  align-items: start;
}
</style>
