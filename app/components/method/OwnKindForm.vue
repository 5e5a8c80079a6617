<script setup lang="ts">
import type { MethodReply } from '#contracts/replies/method'
import {
  DEVICE_KINDS,
  DEVICE_NAMES,
  FAMILY_NAMES,
  KIND_NAMES,
  PRODUCT_KINDS,
  type DeviceKind,
} from '#core/catalogue/kinds'
import { ALSO_FAMILIES } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUE_IDS, TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { ALL_PERCENT } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { fieldProblem, useApi } from '~/composables/useApi'

/** A kind of device of the practice's own: what it works like, and what it does beside that. */
const props = defineProps<{ line: MethodReply['own']['devices'][number] | undefined }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const api = useApi()
const { problem, trouble, busy, attempt } = useAttempt()
const kind = props.line?.device
const text = (number: number | undefined) => (number === undefined ? '' : String(number))
const form = reactive({
  name: kind?.name ?? '',
  from: kind?.from as DeviceKind | undefined,
  least: text(kind?.levels?.least),
  most: text(kind?.levels?.most),
  step: text(kind?.levels?.step),
  also: [...(kind?.also ?? [])],
  loadPercent: text(kind?.loadPercent ?? ALL_PERCENT),
  medium: kind?.medium ?? null,
  cleaning: kind?.cleaning ?? '',
})
const id = kind?.id ?? `own-${crypto.randomUUID()}`
const likes = DEVICE_KINDS.map((value) => ({ value, title: DEVICE_NAMES[value] }))
const families = ALSO_FAMILIES.map((value) => ({ value, title: FAMILY_NAMES[value] }))
const media = PRODUCT_KINDS.map((value) => ({ value, title: KIND_NAMES[value] }))
/** What is set on the nearest kind, and in what. */
const dials = computed(() =>
  TECHNIQUE_IDS.flatMap((technique) => {
    const { device, setting, name } = TECHNIQUES[technique]
    return device === form.from && setting
      ? [`${name}: ${setting.least} to ${setting.most} ${setting.unit}`]
      : []
  }),
)
const err = (...fields: string[]) =>
  fields.flatMap((field) => [
    ...fieldProblem(problem.value, `device.${field}`),
    ...fieldProblem(problem.value, field),
  ])
const number = (given: string) => {
  const plain = given.trim().replace(',', '.')
  return plain === '' || Number.isNaN(Number(plain)) ? plain : Number(plain)
}
async function keep() {
  const given = [form.least, form.most, form.step].some((level) => level.trim() !== '')
  const levels = {
    least: number(form.least),
    most: number(form.most),
    step: number(form.step),
  }
  const done = await attempt(() =>
    api('/api/own/devices', {
      method: 'PUT',
      body: {
        device: {
          id,
          name: form.name,
          from: form.from,
          ...(given && dials.value.length > 0 ? { levels } : {}),
          also: form.also,
          loadPercent: number(form.loadPercent),
          ...(form.medium ? { medium: form.medium } : {}),
          cleaning: form.cleaning,
        },
        version: props.line?.version ?? 0,
        retired: false,
      },
    }),
  )
  if (done) emit('saved')
}
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="760"
    persistent
    :aria-label="line ? 'Change the kind of device' : 'Add a kind of device'"
    @keydown.esc="emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="keep">
        <h2>{{ line ? 'Change the kind of device' : 'Add a kind of device' }}</h2>
        <div class="pair">
          <VTextField
            v-model="form.name"
            v-caret
            label="Name (required)"
            :error-messages="err('name')"
          />
          <VSelect
            v-model="form.from"
            label="Works like (required)"
            :items="likes"
            :disabled="line !== undefined"
            :error-messages="err('from')"
          />
        </div>
        <template v-if="dials.length > 0">
          <p class="soft">{{ dials.join('; ') }}. Levels stay inside these.</p>
          <div class="three">
            <VTextField
              v-model="form.least"
              label="Lowest level"
              inputmode="decimal"
              :error-messages="err('levels.least', 'levels')"
            />
            <VTextField
              v-model="form.most"
              label="Highest level"
              inputmode="decimal"
              :error-messages="err('levels.most')"
            />
            <VTextField
              v-model="form.step"
              label="Steps of"
              inputmode="decimal"
              :error-messages="err('levels.step')"
            />
          </div>
        </template>
        <VSelect
          v-model="form.also"
          label="Also counts as"
          :items="families"
          multiple
          clearable
          hint="Whatever stops these also stops it."
          persistent-hint
          :error-messages="err('also')"
        />
        <div class="pair">
          <VTextField
            v-model="form.loadPercent"
            label="Skin load, against the nearest"
            suffix="%"
            inputmode="numeric"
            :error-messages="err('loadPercent')"
          />
          <VSelect
            v-model="form.medium"
            label="Product under it"
            :items="media"
            clearable
            :error-messages="err('medium')"
          />
        </div>
        <VTextField
          v-model="form.cleaning"
          label="Cleaned after each client (required)"
          :error-messages="err('cleaning')"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">Save kind of device</VBtn>
          <VBtn variant="text" @click="emit('close')">Close</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
</style>
