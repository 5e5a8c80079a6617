<script setup lang="ts">
import type { MethodReply } from '#contracts/replies/method'
import { DEVICE_NAMES } from '#core/catalogue/kinds'
import { NEAREST } from '#core/catalogue/techniques/ownTrouble'
import type { OwnKind } from '#core/catalogue/techniques/ownShapes'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { REGION_NAMES } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { useAttempt } from '~/composables/attempt'
import { numberText, typedNumber } from '~/composables/typed'
import { fieldProblem, useApi } from '~/composables/useApi'

/** A technique of the practice's own: a name, the nearest technique, and what is stricter here. */
const props = defineProps<{
  line: MethodReply['own']['ways'][number] | undefined
  kinds: readonly OwnKind[]
}>()
const emit = defineEmits<{ close: []; saved: [] }>()
const api = useApi()
const { problem, trouble, busy, attempt } = useAttempt()
const way = props.line?.way
const form = reactive({
  name: way?.name ?? '',
  from: way?.from as TechniqueId | undefined,
  deviceId: way?.device?.id ?? null,
  usual: way?.usual ?? false,
  minutesLeast: numberText(way?.minutesLeast),
  minutesMost: numberText(way?.minutesMost),
  restMost: numberText(way?.restMost),
  passesMost: numberText(way?.passesMost),
  never: [...(way?.never ?? [])] as RegionId[],
  hand: way?.hand ?? '',
  say: way?.say ?? '',
  confirm: way?.confirm ?? '',
})
const id = way?.id ?? crypto.randomUUID()
const nearest = NEAREST.map((value) => ({ value, title: TECHNIQUES[value].name }))
const from = computed(() => (form.from ? TECHNIQUES[form.from] : undefined))
const devices = computed(() => {
  const like = from.value?.device
  if (!like) return []
  return [
    { value: null, title: DEVICE_NAMES[like] },
    ...props.kinds
      .filter((kind) => kind.from === like)
      .map((kind) => ({ value: kind.id, title: kind.name })),
  ]
})
watch(
  () => form.from,
  () => {
    if (!devices.value.some(({ value }) => value === form.deviceId)) form.deviceId = null
  },
)
const zones = REGION_IDS.map((value) => ({ value, title: REGION_NAMES[value] }))
const err = (...fields: string[]) =>
  fields.flatMap((field) => [
    ...fieldProblem(problem.value, `way.${field}`),
    ...fieldProblem(problem.value, field),
  ])
const words = (key: 'hand' | 'say' | 'confirm') =>
  form[key].trim() === '' ? {} : { [key]: form[key] }
async function keep() {
  const done = await attempt(() =>
    api('/api/own/ways', {
      method: 'PUT',
      body: {
        way: {
          id,
          name: form.name,
          from: form.from,
          usual: form.usual,
          never: form.never,
          ...(form.deviceId ? { deviceId: form.deviceId } : {}),
          minutesLeast: typedNumber(form.minutesLeast),
          minutesMost: typedNumber(form.minutesMost),
          restMost: typedNumber(form.restMost),
          passesMost: typedNumber(form.passesMost),
          ...words('hand'),
          ...words('say'),
          ...words('confirm'),
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
    :title="line ? 'Change the technique' : 'Add a technique'"
    save="Save technique"
    :busy="busy"
    :trouble="trouble"
    @submit="keep"
    @close="emit('close')"
  >
    <div class="pair">
      <VTextField
        v-model="form.name"
        v-caret
        label="Name here (required)"
        :error-messages="err('name')"
      />
      <VAutocomplete
        v-model="form.from"
        label="Nearest technique (required)"
        :items="nearest"
        :disabled="line !== undefined"
        :error-messages="err('from')"
      />
    </div>
    <template v-if="from">
      <VSelect
        v-if="devices.length > 0"
        v-model="form.deviceId"
        label="Done with"
        :items="devices"
        :error-messages="err('device', 'deviceId')"
      />
      <VCheckbox
        v-model="form.usual"
        :label="`Plan this instead of ${from.name.toLowerCase()}`"
        hide-details
      />
      <div class="pair">
        <VTextField
          v-model="form.minutesLeast"
          label="Shortest, min"
          inputmode="decimal"
          :placeholder="String(from.minutes.least)"
          persistent-placeholder
          :error-messages="err('minutesLeast')"
        />
        <VTextField
          v-model="form.minutesMost"
          label="Longest, min"
          inputmode="decimal"
          :placeholder="String(from.minutes.most)"
          persistent-placeholder
          :error-messages="err('minutesMost')"
        />
        <VTextField
          v-if="from.dwell"
          v-model="form.restMost"
          label="Rests at most, min"
          inputmode="decimal"
          :placeholder="String(from.dwell.latest)"
          persistent-placeholder
          :error-messages="err('restMost')"
        />
        <VTextField
          v-if="from.passes"
          v-model="form.passesMost"
          label="Passes at most"
          inputmode="numeric"
          :placeholder="String(from.passes.limit)"
          persistent-placeholder
          :error-messages="err('passesMost')"
        />
      </div>
      <VSelect
        v-model="form.never"
        label="Never on"
        :items="zones"
        multiple
        clearable
        :error-messages="err('never')"
      />
      <VTextField
        v-model="form.hand"
        label="What the hand does here"
        :hint="`Said before: ${from.hand}`"
        persistent-hint
        :error-messages="err('hand')"
      />
      <VTextField v-model="form.say" label="Tell the client" :error-messages="err('say')" />
      <VTextField
        v-model="form.confirm"
        label="To be ticked first"
        :error-messages="err('confirm')"
      />
    </template>
  </FormDialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
