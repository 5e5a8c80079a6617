<script setup lang="ts">
import { nameRegions, REGION_NAMES } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import type { Referral } from '#contracts/replies/home'
import { dayAndClock } from '~/composables/dates'

/** A note for a doctor: what was seen, where, since when; no diagnosis. And what they answered. */
const props = defineProps<{
  referrals: readonly Referral[]
  client: { name: string; born: string | null }
  practice: { name: string; phone: string; timeZone: string }
  may: boolean
  busy: boolean
}>()
const emit = defineEmits<{
  write: [note: { regions: RegionId[]; seen: string; since: string }]
  file: [referralId: string, answer: string]
  print: []
}>()
const regions = ref<RegionId[]>([])
const seen = ref('')
const since = ref('')
const answers = ref<Record<string, string>>({})
const WHERE = REGION_IDS.map((id) => ({ value: id, title: REGION_NAMES[id] }))
const whole = computed(
  () => regions.value.length > 0 && seen.value.trim() !== '' && since.value.trim() !== '',
)
function write() {
  emit('write', { regions: regions.value, seen: seen.value.trim(), since: since.value.trim() })
  regions.value = []
  seen.value = ''
  since.value = ''
}
const headOf = (own: Referral) =>
  `${dayAndClock(own.at, props.practice.timeZone)} · ${nameRegions(own.regions)} · ${own.by}`
</script>

<template>
  <details class="panel referral" :open="referrals.length > 0">
    <summary><h2>Note for a doctor</h2></summary>
    <div class="stack mt-2">
      <p class="soft noprint">
        A changing mole, a sore that does not heal, painful nodules, a spreading rash, an infection:
        no work on or around it. What you see, not what it may be.
      </p>
      <article v-for="own in referrals" :key="own.id" class="note">
        <p class="onlyprint">
          <b>{{ practice.name }}</b> {{ practice.phone }}<br />For {{ client.name
          }}{{ client.born ? `, born ${client.born}` : '' }}
        </p>
        <p class="soft">{{ headOf(own) }}</p>
        <p><b>Seen:</b> {{ own.seen }}</p>
        <p><b>Since:</b> {{ own.since }}</p>
        <p class="onlyprint">
          This is an observation of a beauty practice, not a diagnosis. Please look at it.
        </p>
        <p v-if="own.answer"><b>The doctor:</b> {{ own.answer.text }}</p>
        <div v-else class="stack noprint">
          <VTextField
            v-model="answers[own.id]"
            label="What the doctor said"
            :maxlength="2000"
            hide-details
          />
          <div class="row">
            <VBtn
              variant="outlined"
              size="small"
              :disabled="busy || !answers[own.id]?.trim()"
              @click="emit('file', own.id, answers[own.id] ?? '')"
              >File the answer</VBtn
            >
            <VBtn variant="outlined" size="small" @click="emit('print')">Print the note</VBtn>
          </div>
        </div>
      </article>
      <template v-if="may">
        <VSelect
          v-model="regions"
          class="noprint"
          :items="WHERE"
          label="Where"
          multiple
          chips
          hide-details
        />
        <VTextarea
          v-model="seen"
          class="noprint"
          label="What you see: size, colour, edge, change"
          :maxlength="600"
          rows="2"
          hide-details
        />
        <VTextField
          v-model="since"
          class="noprint"
          label="Since when, as the client says"
          :maxlength="200"
          hide-details
        />
        <div class="noprint">
          <VBtn variant="outlined" :disabled="!whole || busy" @click="write">Save the note</VBtn>
        </div>
      </template>
    </div>
  </details>
</template>

<style scoped>
.note {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.onlyprint {
  display: none;
}
@media print {
  .onlyprint {
    display: block;
  }
}
</style>
