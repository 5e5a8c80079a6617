<script setup lang="ts">
import type { RegionId } from '#core/face/zones'
import { pictureWish } from '#core/visit/photographs'
import { useAttempt } from '~/composables/attempt'
import { smallJpeg } from '~/composables/picture'
import { useVisit } from '~/stores/visit'

/** A picture of what is seen, if the client agrees: never needed, for the file alone. */
const props = defineProps<{ regions: readonly RegionId[] }>()
const visit = useVisit()
const wish = computed(() => pictureWish(visit.bundle?.client.preferences ?? {}))
const agreed = ref(false)
const { trouble, busy, attempt } = useAttempt()
const camera = ref<HTMLInputElement | null>(null)
const kept = computed(() => visit.bundle?.photographs.length ?? 0)
/** A picture that could not be kept yet: it is on this page, and goes with it. */
const waiting = ref<{ id: string; jpeg: string } | null>(null)

async function take(event: Event) {
  const field = event.target as HTMLInputElement
  const [file] = field.files ?? []
  if (!file) return
  trouble.value = ''
  try {
    waiting.value = { id: crypto.randomUUID(), jpeg: await smallJpeg(file) }
  } catch {
    trouble.value = 'This file is no picture.'
    return
  } finally {
    field.value = ''
  }
  await keep()
}
async function keep() {
  await attempt(async () => {
    const { regions } = props
    await visit.send('/photographs', 'POST', { ...waiting.value, regions, agreed: true })
    waiting.value = null
    await visit.reload()
  })
}
</script>

<template>
  <p v-if="wish === 'no'" class="dim">No photographs: the client does not want any.</p>
  <div v-else class="picture">
    <VCheckbox
      v-if="wish === 'ask'"
      v-model="agreed"
      label="Agrees to a picture, for the file only"
      hide-details
    />
    <RoomButton :disabled="busy || (wish === 'ask' && !agreed)" @click="camera?.click()">
      Picture, if wanted
    </RoomButton>
    <input
      ref="camera"
      type="file"
      accept="image/*"
      capture="environment"
      class="sr"
      tabindex="-1"
      data-key="the button above"
      aria-label="A picture from the camera or the device"
      @change="take"
    />
    <span v-if="kept" class="dim">{{ kept }} kept</span>
    <p v-if="trouble" role="alert" class="bad">
      {{ trouble }}
      <RoomButton v-if="waiting" :disabled="busy" @click="keep">Save again</RoomButton>
    </p>
  </div>
</template>

<style scoped>
.picture {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
}
.dim {
  color: var(--stop-dim);
}
.bad {
  width: 100%;
  color: var(--warn-text);
}
</style>
