<script setup lang="ts">
import type { MethodReply } from '#contracts/replies/method'
import { DEVICE_NAMES, FAMILY_NAMES, KIND_NAMES } from '#core/catalogue/kinds'
import type { OwnKind } from '#core/catalogue/techniques/ownShapes'
import { TECHNIQUES, type OwnWay } from '#core/catalogue/techniques/techniques'
import { nameRegions } from '#core/face/regions'
import { ALL_PERCENT } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** Techniques and kinds of device that this practice has of its own, each from the nearest one. */
const props = defineProps<{ own: MethodReply['own']; mayDecide: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { trouble, attempt } = useAttempt()
type WayLine = MethodReply['own']['ways'][number]
type KindLine = MethodReply['own']['kinds'][number]
const wayForm = ref<{ line?: WayLine } | null>(null)
const kindForm = ref<{ line?: KindLine } | null>(null)

const range = (least: number | undefined, most: number | undefined, unit: string) => {
  if (least !== undefined && most !== undefined) return `${least} to ${most} ${unit}`
  if (most !== undefined) return `at most ${most} ${unit}`
  return least === undefined ? '' : `at least ${least} ${unit}`
}
const ofWay = (way: OwnWay) =>
  [
    `from ${TECHNIQUES[way.from].name.toLowerCase()}`,
    way.device ? `with ${way.device.name}` : '',
    range(way.minutesLeast, way.minutesMost, 'min'),
    way.restMost === undefined ? '' : `rests at most ${way.restMost} min`,
    way.passesMost === undefined ? '' : `at most ${way.passesMost} passes`,
    way.never.length === 0 ? '' : `never on ${nameRegions(way.never)}`,
  ]
    .filter(Boolean)
    .join(' · ')
const ofKind = ({ from, levels, also, loadPercent, medium }: OwnKind) =>
  [
    `works like a ${DEVICE_NAMES[from]}`,
    levels ? `set to ${levels.least} to ${levels.most}, in steps of ${levels.step}` : '',
    also.length === 0 ? '' : `also counts as ${also.map((id) => FAMILY_NAMES[id]).join(', ')}`,
    loadPercent === ALL_PERCENT ? '' : `skin load ${loadPercent} %`,
    medium ? `needs ${KIND_NAMES[medium]}` : '',
  ]
    .filter(Boolean)
    .join(' · ')

const keepWay = ({ way: { device, ...way }, version }: WayLine, retired: boolean) =>
  attempt(async () => {
    await api('/api/own/ways', {
      method: 'PUT',
      body: { way: { ...way, ...(device ? { deviceId: device.id } : {}) }, version, retired },
    })
    emit('changed')
  })
const keepKind = ({ kind, version }: KindLine, retired: boolean) =>
  attempt(async () => {
    await api('/api/own/kinds', { method: 'PUT', body: { kind, version, retired } })
    emit('changed')
  })
function saved() {
  wayForm.value = null
  kindForm.value = null
  emit('changed')
}
/** What is in use stands first. */
const inUseFirst = <Line extends { retired: boolean }>(lines: readonly Line[]): Line[] =>
  [...lines].sort((one, other) => Number(one.retired) - Number(other.retired))
const kinds = computed(() =>
  props.own.kinds.flatMap(({ kind, retired }) => (retired ? [] : [kind])),
)
</script>

<template>
  <p class="soft lead">
    A technique of your own starts from the nearest one and keeps all its rules. You can make it
    stricter, not looser.
  </p>
  <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  <div class="sides">
    <section class="panel stack" aria-label="Our techniques">
      <h2>Our techniques</h2>
      <p v-if="own.ways.length === 0" class="soft">None yet.</p>
      <ul class="plainlist stack">
        <li v-for="line in inUseFirst(own.ways)" :key="line.way.id" class="between">
          <span
            ><b>{{ line.way.name }}</b
            >{{ ' ' }}<span v-if="line.retired" class="tag">not in use</span
            ><span v-else-if="line.way.usual" class="tag">planned first</span><br /><span
              class="soft"
              >{{ ofWay(line.way) }}</span
            ></span
          ><span v-if="mayDecide" class="row">
            <VBtn variant="text" @click="wayForm = { line }"
              >Change<span class="sr"> {{ line.way.name }}</span></VBtn
            ><VBtn variant="text" @click="keepWay(line, !line.retired)"
              >{{ line.retired ? 'Use again' : 'Stop using'
              }}<span class="sr"> {{ line.way.name }}</span></VBtn
            ></span
          >
        </li>
      </ul>
      <VBtn v-if="mayDecide" variant="outlined" @click="wayForm = {}">Add a technique</VBtn>
    </section>
    <section class="panel stack" aria-label="Our kinds of device">
      <h2>Our kinds of device</h2>
      <p v-if="own.kinds.length === 0" class="soft">None yet.</p>
      <ul class="plainlist stack">
        <li v-for="line in inUseFirst(own.kinds)" :key="line.kind.id" class="between">
          <span
            ><b>{{ line.kind.name }}</b
            >{{ ' ' }}<span v-if="line.retired" class="tag">not in use</span><br /><span
              class="soft"
              >{{ ofKind(line.kind) }}</span
            ></span
          ><span v-if="mayDecide" class="row">
            <VBtn variant="text" @click="kindForm = { line }"
              >Change<span class="sr"> {{ line.kind.name }}</span></VBtn
            ><VBtn variant="text" @click="keepKind(line, !line.retired)"
              >{{ line.retired ? 'Use again' : 'Stop using'
              }}<span class="sr"> {{ line.kind.name }}</span></VBtn
            ></span
          >
        </li>
      </ul>
      <VBtn v-if="mayDecide" variant="outlined" @click="kindForm = {}">Add a kind of device</VBtn>
      <p v-if="own.kinds.length > 0" class="soft">
        Add the device itself under Practice, Set up the practice: then plans can use it.
      </p>
    </section>
  </div>
  <OwnWayForm
    v-if="wayForm"
    :line="wayForm.line"
    :kinds="kinds"
    @close="wayForm = null"
    @saved="saved"
  />
  <OwnKindForm v-if="kindForm" :line="kindForm.line" @close="kindForm = null" @saved="saved" />
</template>

<style scoped>
.lead {
  margin: 12px 0;
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 16px;
  align-items: start;
}
.plainlist li {
  align-items: center;
  flex-wrap: nowrap;
}
.plainlist li > :last-child {
  flex: none;
}
@media (max-width: 600px) {
  .plainlist li {
    flex-wrap: wrap;
  }
}
</style>
