<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import { planHash } from '#core/record/planHash'
import { mdiRedo, mdiUndo } from '@mdi/js'
import { SCHOOLS, type SchoolId } from '#core/catalogue/schools/schools'
import type { DoneAs } from '#core/catalogue/techniques/ownWay'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { composedOf } from '#core/planning/answer/composed'
import { addByHand } from '#core/planning/answer/addByHand'
import { isFit } from '#core/planning/checks/check'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { useLength } from '~/composables/plan/length'
import { useHeardSignature } from '~/composables/plan/signature'
import { usePlan } from '~/stores/plan'
import { useVisit } from '~/stores/visit'

const visit = useVisit()
const plan = usePlan()
const bundle = computed(() => visit.bundle)
const chosen = ref<string | null>(null)
const { trouble, attempt } = useAttempt()
const comparing = ref(false)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'plan'),
)
const frozen = computed(() => bundle.value?.visit.status !== 'booked')
const shown = computed(() =>
  frozen.value ? (bundle.value?.plans[bundle.value.plans.length - 1]?.steps ?? []) : plan.steps,
)
const composed = computed(() =>
  visit.input ? composedOf(visit.input, shown.value) : { intentions: [], later: [], phases: [] },
)
const from = computed(() => {
  const protocol = frozen.value
    ? bundle.value?.plans[bundle.value.plans.length - 1]?.protocol
    : plan.protocol
  const known = bundle.value?.protocols.find((other) => other.id === protocol?.id)
  return protocol ? { name: known?.name ?? 'of the practice', version: protocol.version } : null
})
const signed = computed(
  () => bundle.value?.plans.find((plan) => plan.version === 0)?.countersignedBy ?? null,
)
onMounted(() => void plan.open())
/** A trainee's plan, before the treatment: it is signed, or signed anew after a change. */
const forSignature = computed(() => bundle.value?.staff.role === 'trainee' && !frozen.value)
useHeardSignature(() => forSignature.value)
const school = async (chosenSchool: SchoolId) => {
  await attempt(() => visit.change({ school: chosenSchool }))
  await plan.propose()
}
const { given, setLength } = useLength()
const length = (minutes: number) => attempt(() => setLength(minutes))
const add = (way: TechniqueId | DoneAs) => {
  if (visit.input) plan.edit(addByHand(visit.input, plan.steps, way))
}
function onKey(event: KeyboardEvent) {
  if (!(event.ctrlKey || event.metaKey) || !may.value) return
  if (event.key === 'z') {
    event.preventDefault()
    if (event.shiftKey) plan.redo()
    else plan.undo()
  }
  if (event.key === 'y') {
    event.preventDefault()
    plan.redo()
  }
}
const fit = computed(() => plan.check !== null && isFit(plan.check) && plan.steps.length > 0)
async function onward() {
  if (may.value && plan.saved !== 'kept') await plan.save()
  if (plan.saved !== 'refused' || frozen.value)
    await navigateTo(`/visits/${bundle.value?.visit.id ?? ''}/set`)
}
const countersign = () =>
  attempt(async () => {
    await visit.send('/countersign', 'POST', { hash: planHash(visit.draft) })
    await visit.reload()
  })
function choose(key: string | null) {
  chosen.value = key
}
const KEEPING: Record<string, string> = { kept: 'saved', waiting: 'saving…' }
const state = computed(() =>
  plan.thinking ? 'planning…' : (KEEPING[plan.saved] ?? 'on this device only'),
)
const signing = computed(() =>
  signed.value
    ? `countersigned by ${signed.value}`
    : `a trainee's plan: needs a colleague's countersign${unsignedWords.value}`,
)
/** Who had signed it before, when, and what has changed since. */
const unsignedWords = computed(() => {
  const own = bundle.value?.plans.find((plan) => plan.version === 0)?.unsigned
  const zone = bundle.value?.practice.timeZone
  return own && zone
    ? ` (${own.by} signed ${dayAndClock(own.at, zone)}; since then ${own.because})`
    : ''
})
const missing = computed(() =>
  plan.missed
    .map(({ name, why }) => `${name.toLowerCase()} (${why.text.replace(/\.$/, '')})`)
    .join(', '),
)
</script>

<template>
  <div v-if="bundle && visit.input" class="plan" @keydown="onKey">
    <StopAction>
      <template v-if="may"
        ><span class="soft state" role="status">{{ state }}</span
        ><VBtn
          variant="text"
          icon
          :disabled="!plan.past.length"
          aria-label="Undo"
          @click="plan.undo()"
          ><VIcon :icon="mdiUndo" /></VBtn
        ><VBtn
          variant="text"
          icon
          :disabled="!plan.future.length"
          aria-label="Redo"
          @click="plan.redo()"
          ><VIcon :icon="mdiRedo" /></VBtn
        ><VBtn variant="outlined" :loading="plan.thinking" @click="plan.propose()"
          >Propose again</VBtn
        ></template
      >
      <VBtn
        v-if="bundle.may.countersign && shown.length > 0 && !signed && !frozen"
        color="secondary"
        @click="countersign"
        >Countersign</VBtn
      >
      <VBtn color="primary" :disabled="may && !fit" @click="onward">Lay out the tray</VBtn>
    </StopAction>
    <PlanPurpose :composed="composed" :input="visit.input" :steps="shown" :chosen="chosen" />
    <section class="left">
      <StopAction v-if="may" to="#stop-tools">
        <PlanTools @school="school" @length="length" @add="add" />
      </StopAction>
      <p v-if="trouble || plan.trouble || plan.failed" role="alert" class="tag stop">
        {{ trouble || plan.trouble || plan.failed }}
      </p>
      <p v-if="forSignature" role="status" class="tag" :class="signed ? 'good' : 'watch'">
        {{ signing }}
      </p>
      <p v-if="frozen" class="tag calm">
        Version {{ bundle.plans[bundle.plans.length - 1]?.version }} frozen since the treatment
        began
      </p>
      <p v-if="from" class="tag calm">
        By the protocol {{ from.name }}, version {{ from.version
        }}<template v-if="plan.missed.length">; without {{ missing }}</template>
      </p>
      <p v-if="given" class="tag calm" role="status">{{ given }}</p>
      <OrderOffer v-if="may" :steps="shown" :input="visit.input" @edit="plan.edit" />
      <PlanStrip
        :steps="shown"
        :input="visit.input"
        :composed="composed"
        :chosen="chosen"
        :may="may"
        @choose="choose"
        @edit="plan.edit"
      />
      <p v-if="!shown.length && !plan.thinking && !plan.failed" class="soft">
        No plan yet. Read the skin first, then propose.
      </p>
    </section>
    <ComparePlans
      v-if="comparing"
      :input="visit.input"
      :steps="shown"
      :school-name="SCHOOLS[bundle.visit.school].name"
      :before="bundle.previousPlan"
      @close="comparing = false"
    />
    <PlanAside
      :steps="shown"
      :input="visit.input"
      :chosen="chosen"
      :may="may"
      :left="frozen ? [] : plan.left"
      @edit="plan.edit"
      @add="add"
      @exchange="plan.exchange"
      @compare="comparing = true"
      @choose="choose"
    />
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  grid-template-columns: 232px minmax(0, 1fr) 292px;
  min-height: calc(100dvh - 126px);
}
.left {
  padding: 0 14px 10px 0;
  min-width: 0;
}
/* As wide as its longest word: nothing moves under the finger when the word changes. */
.state {
  width: 136px;
  white-space: nowrap;
  text-align: right;
  font-size: 0.875rem;
}
@media (max-width: 1200px) {
  .plan {
    grid-template-columns: 190px minmax(0, 1fr) 260px;
  }
}
@media (max-width: 1000px) {
  .plan {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    padding: 0 16px 10px;
  }
}
</style>
