<script setup lang="ts">
import { inPercent } from '#core/units'
import { REGION_NAMES } from '#core/face/regions'
import {
  CONDITION_IDS,
  CONDITION_WORDS,
  type ConditionId,
  type SkinType,
} from '#core/catalogue/skin/conditions'
import { toleranceWords } from '#core/load/tolerance'
import type { Overrule, WholeReading } from '#core/skin/notes'
import type { Profile } from '#core/skin/profile'

/**
 * The profile as it writes itself. Each line opens to its evidence and can be seen otherwise, with
 * a reason.
 */
const props = defineProps<{
  profile: Profile
  whole: WholeReading
  limitPercent: number
  disabled: boolean
  /** Whether this was read on a made-up face. */
  madeUp?: boolean
}>()
const emit = defineEmits<{ overrule: [list: Overrule[]] }>()
const TYPES: readonly SkinType[] = ['dry', 'normal', 'combination', 'oily']
const open = ref<'type' | ConditionId | null>(null)
const say = ref<SkinType>('normal')
const reason = ref('')
const list = computed(() => [...(props.whole.overruled ?? [])])
const tolerance = computed(() => toleranceWords(props.profile, props.limitPercent))
/** A reason of a word or more: without one a line is not seen otherwise. */
const REASON_SIZE = 3
const said = computed(() => reason.value.trim().length >= REASON_SIZE)
const others = computed(() =>
  CONDITION_IDS.filter((condition) => !props.profile.lines.some((line) => line.id === condition)),
)
function begin(line: 'type' | ConditionId) {
  open.value = line
  reason.value = ''
  say.value = 'normal'
}
function keep() {
  const line = open.value
  if (!line || !said.value) return
  const one: Overrule =
    line === 'type'
      ? { line, say: say.value, reason: reason.value.trim() }
      : { line, say: !props.profile.conditions.includes(line), reason: reason.value.trim() }
  emit('overrule', [...list.value.filter((overruled) => overruled.line !== line), one])
  open.value = null
}
const undo = (line: 'type' | ConditionId) =>
  emit(
    'overrule',
    list.value.filter((overruled) => overruled.line !== line),
  )
function evidenceOf(line: Profile['lines'][number]): string {
  const seen = line.evidence.map((one) => `${REGION_NAMES[one.region]}: ${one.text}`).join(' · ')
  if (seen) return seen
  return line.overruled ? 'seen by the therapist' : 'read forehead, nose, chin and cheeks'
}
const whatKeepingDoes = computed(() =>
  open.value && open.value !== 'type' && props.profile.conditions.includes(open.value)
    ? 'You judged this differently. Its grades still count where they were read: ' +
      'read again to change them.'
    : 'The line is added.',
)
</script>

<template>
  <div class="panel" aria-live="polite">
    <h2>Today's skin</h2>
    <ul class="plainlist">
      <li v-for="line in profile.lines" :key="line.id">
        <details>
          <summary>
            <b>{{ line.title }}</b><em v-if="line.overruled" class="why">
              · {{ line.overruled }}</em
            >
          </summary>
          <p class="soft">
            {{ evidenceOf(line) }}
          </p>
          <VBtn
            v-if="!disabled && line.overruled"
            size="small"
            height="36"
            variant="text"
            @click="undo(line.id)"
            >As read</VBtn
          ><VBtn
            v-else-if="!disabled && open !== line.id"
            size="small"
            height="36"
            variant="text"
            @click="begin(line.id)"
            >I judge it differently</VBtn
          >
        </details>
      </li>
      <li v-for="note in profile.notes" :key="note">{{ note }}</li>
      <li v-if="madeUp && profile.confidence > 0" class="soft">
        Judged under make-up: redness, texture and pigment may be hidden. Read bare after the
        surface cleanse.
      </li>
    </ul>
    <details v-if="profile.confidence > 0">
      <summary>
        <b>Tolerates {{ tolerance.share }} of what resilient skin does</b>
      </summary>
      <p class="soft">
        Least: {{ tolerance.where }}{{ tolerance.why ? ` (${tolerance.why})` : '' }}. An estimate:
        adjust it to what you see.
      </p>
    </details>
    <form v-if="open" class="stack other" novalidate @submit.prevent="keep">
      <b>{{ open === 'type' ? 'Type, as I see it' : CONDITION_WORDS[open] }}</b>
      <VSelect v-if="open === 'type'" v-model="say" :items="TYPES" label="Type" density="compact" />
      <p v-else class="soft">
        {{ whatKeepingDoes }}
      </p>
      <VTextField
        v-model="reason"
        label="Reason"
        density="compact"
        :maxlength="300"
        :error-messages="reason && !said ? ['say why'] : []"
      />
      <div class="row">
        <VBtn size="small" height="38" color="secondary" type="submit" :disabled="!said"
          >Save under my name</VBtn
        ><VBtn size="small" height="38" variant="text" @click="open = null">Cancel</VBtn>
      </div>
    </form>
    <div v-else-if="!disabled && others.length" class="row add">
      <span class="soft">Add what you see besides:</span
      ><VBtn
        v-for="other in others"
        :key="other"
        rounded="xl"
        size="small"
        height="36"
        variant="outlined"
        @click="begin(other)"
        >{{ CONDITION_WORDS[other].toLowerCase() }}</VBtn
      >
    </div>
    <p v-if="profile.confidence < 1" class="tag watch">
      {{ Math.round(inPercent(profile.confidence)) }} % read: open zones are planned as sensitive
    </p>
    <p v-else class="tag good">every zone read</p>
  </div>
</template>

<style scoped>
summary {
  padding: 3px 0;
}
p {
  margin: 4px 0;
}
.other {
  border-left: 4px solid var(--basin);
  padding: 6px 0 6px 10px;
  margin: 6px 0;
}
.add {
  gap: 6px;
  margin: 6px 0;
  font-size: 0.875rem;
}
</style>
