<script setup lang="ts">
import type { CampEffect } from '#core/planning/answer/otherCamps'
import type { PlanInput } from '#core/planning/input'
import { otherCampsAside } from '~/composables/planner'

/** Where good practitioners differ: what each other way would change in this plan. */
const props = defineProps<{ input: PlanInput }>()
const found = ref<CampEffect[] | null>(null)
const trouble = ref('')
onMounted(async () => {
  try {
    found.value = await otherCampsAside(props.input)
  } catch {
    trouble.value = 'The other ways could not be worked out. Try again.'
  }
})
</script>

<template>
  <section>
    <h3>Where schools differ, on this plan</h3>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-else-if="!found" class="soft" role="status">Comparing…</p>
    <dl v-else class="points">
      <div v-for="one in found" :key="one.point">
        <dt>
          {{ one.title }} <span class="soft">{{ one.now }}</span>
        </dt>
        <dd v-for="camp in one.others" :key="camp.id">
          <span>{{ camp.sentence }}</span>
          <b>{{ camp.change }}</b>
        </dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
.points {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 460px), 1fr));
  gap: 12px 28px;
  margin: 0;
}
dt {
  font-weight: 650;
  border-bottom: 1px solid var(--line);
  padding-bottom: 2px;
}
dt span {
  font-weight: 400;
}
dd {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  margin: 4px 0 0;
  font-size: 0.875rem;
}
dd b {
  font-weight: 500;
}
</style>
