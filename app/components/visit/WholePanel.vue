<script setup lang="ts">
import { ACNE_WORDS, BURNS, PHOTOAGEING, PHOTOTYPES, TANS } from '#core/skin/indices'
import { acneOf, phototypeOf, type WholeReading } from '#core/skin/notes'
import type { Readings } from '#core/skin/readings'

/** Published scales for the whole face: asked or looked at once, each with its source. */
const props = defineProps<{ whole: WholeReading; zones: Readings; disabled: boolean }>()
const emit = defineEmits<{ change: [patch: Partial<WholeReading>] }>()
const type = computed(() => phototypeOf(props.whole))
const acne = computed(() => acneOf(props.zones))
const name = (type: number) => PHOTOTYPES[type - 1]?.name ?? ''
const PLACES = {
  forehead: 'forehead',
  cheekR: 'right cheek',
  cheekL: 'left cheek',
  nose: 'nose',
  chin: 'chin',
  chestBack: 'chest',
} as const
const known = computed(() => {
  const { photoageing } = props.whole
  const parts = [
    type.value ? `phototype ${name(type.value.marks)}` : '',
    photoageing ? `photoageing ${PHOTOAGEING[photoageing - 1]?.name}` : '',
    acne.value ? `acne ${ACNE_WORDS[acne.value.severity]}` : '',
  ]
  return parts.filter(Boolean).join(' · ') || 'phototype, photoageing, acne'
})
const agreement = computed(() =>
  type.value?.agree
    ? (PHOTOTYPES[type.value.sun - 1]?.words ?? '')
    : 'the two answers differ: the cautious one counts',
)
const notLookedAt = computed(() => {
  const missing = acne.value?.missing.map((place) => PLACES[place]) ?? []
  return missing.length > 0 ? `; not looked at: ${missing.join(', ')}` : ''
})
</script>

<template>
  <details class="panel">
    <summary>
      <b>Scales</b>{{ ' ' }}
      <span class="soft">{{ known }}</span>
    </summary>
    <div class="stack mt-2">
      <VSelect
        :model-value="whole.burns ?? null"
        :items="[...BURNS]"
        label="In the first strong sun, burns"
        density="compact"
        hide-details
        clearable
        :disabled="disabled"
        @update:model-value="
          (v: WholeReading['burns'] | null) => emit('change', { burns: v ?? undefined })
        "
      />
      <VSelect
        :model-value="whole.tans ?? null"
        :items="[...TANS]"
        label="and tans"
        density="compact"
        hide-details
        clearable
        :disabled="disabled"
        @update:model-value="
          (v: WholeReading['tans'] | null) => emit('change', { tans: v ?? undefined })
        "
      />
      <p v-if="type">
        <b
          >Phototype
          {{
            type.agree ? name(type.sun) : `${name(type.sun)} for sun, ${name(type.marks)} for marks`
          }}</b
        >{{ ' ' }}
        <span class="soft">{{ agreement }}. Fitzpatrick 1988.</span>
      </p>
      <VSelect
        :model-value="whole.photoageing ?? null"
        :items="PHOTOAGEING.map((c) => ({ value: c.id, title: `${c.name}: ${c.words}` }))"
        label="Photoageing"
        density="compact"
        hide-details
        clearable
        :disabled="disabled"
        @update:model-value="
          (v: 1 | 2 | 3 | 4 | null) => emit('change', { photoageing: v ?? undefined })
        "
      />
      <p v-if="acne">
        <b
          >Acne {{ acne.missing.length ? `at least ${acne.sum}` : acne.sum }}:
          {{ ACNE_WORDS[acne.severity] }}</b
        >{{ ' ' }}
        <span class="soft"
          >worst lesion by area{{ notLookedAt }}. Doshi, Zaheer &amp; Stiller 1997. A grade, not a
          diagnosis.</span
        >
      </p>
      <p v-else class="soft">Grade “Spots” on the face for the acne grade.</p>
    </div>
  </details>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
