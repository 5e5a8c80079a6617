<script setup lang="ts">
import type { MethodReply } from '#contracts/replies/method'
import type { HousePolicy } from '#core/catalogue/schools/schools'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Method · Oak Basin' })
const api = useApi()
const { data, error, refresh } = await useAsyncData('method', () => api<MethodReply>('/api/method'))
const tab = ref('rows')
const policy = computed(() => data.value?.policy as HousePolicy | undefined)
</script>

<template>
  <div class="method">
    <h1>Method</h1>
    <p class="soft">
      How this practice works: every rule with its reason, the schools side by side, its own
      protocols.
    </p>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <VTabs v-model="tab" aria-label="Method"
      ><VTab value="rows">Rules and techniques</VTab><VTab value="reach">What an answer stops</VTab
      ><VTab value="schools">Schools and this practice</VTab><VTab value="protocols">Protocols</VTab
      ><VTab value="own">Our own</VTab></VTabs
    >
    <RowSearch v-if="tab === 'rows'" />
    <BarReach v-else-if="tab === 'reach'" />
    <SchoolsBeside
      v-else-if="tab === 'schools' && data && policy"
      :policy="policy"
      :history="data.history"
      :may-decide="data.mayDecide"
      @changed="refresh"
    />
    <OwnPanel
      v-else-if="tab === 'own' && data"
      :own="data.own"
      :may-decide="data.mayDecide"
      @changed="refresh"
    />
    <ProtocolList
      v-else-if="tab === 'protocols' && data"
      :protocols="data.protocols"
      :may-retire="data.mayDecide"
      @changed="refresh"
    />
  </div>
</template>

<style scoped>
.method {
  padding: 20px 28px;
}
</style>
