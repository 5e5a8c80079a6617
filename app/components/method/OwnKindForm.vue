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
import { numberText, typedNumber } from '~/composables/typed'
import { fieldProblem, useApi } from '~/composables/useApi'

/** A kind of device of the practice's own: what it works like, and what it does beside that. */
const props = defineProps<{ line: MethodReply['own']['kinds'][number] | undefined }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const api = useApi()
const { problem, trouble, busy, attempt } = useAttempt()
const kind = props.line?.kind
const form = reactive({
  name: kind?.name ?? '',
  from: kind?.from as DeviceKind | undefined,
  least: numberText(kind?.levels?.least),
  most: numberText(kind?.levels?.most),
  step: numberText(kind?.levels?.step),
  also: [...(kind?.also ?? [])],
  loadPercent: numberText(kind?.loadPercent ?? ALL_PERCENT),
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
    ...fieldProblem(problem.value, `kind.${field}`),
    ...fieldProblem(problem.value, field),
  ])
async function keep() {
  const given = [form.least, form.most, form.step].some((level) => level.trim() !== '')
  const levels = {
    least: typedNumber(form.least),
    most: typedNumber(form.most),
    step: typedNumber(form.step),
  }
  const done = await attempt(() =>
    api('/api/own/kinds', {
      method: 'PUT',
      body: {
        kind: {
          id,
          name: form.name,
          from: form.from,
          ...(given && dials.value.length > 0 ? { levels } : {}),
          also: form.also,
          loadPercent: typedNumber(form.loadPercent),
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
  <FormDialog
    :title="line ? 'Change the kind of device' : 'Add a kind of device'"
    save="Save kind of device"
    :busy="busy"
    :trouble="trouble"
    @submit="keep"
    @close="emit('close')"
  >
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
  </FormDialog>
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
