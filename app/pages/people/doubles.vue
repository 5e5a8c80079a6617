<script setup lang="ts">
import type { LikelyPairs } from '#contracts/replies/people'
import { aboutFile } from '~/composables/people'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Likely doubles · Oak Basin' })
const api = useApi()
const { data, error } = await useAsyncData('doubles', () =>
  api<LikelyPairs>('/api/clients/doubles'),
)
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Likely doubles</h1>
      <VBtn variant="outlined" to="/people">To the people</VBtn>
    </div>
    <p class="soft">
      The same name without another birthday, or the same birthday with the same phone or e-mail.
      Open one of the two: there you join them.
    </p>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <p v-else-if="data?.pairs.length === 0" class="panel">No two files look like one person.</p>
    <ul v-else class="plainlist panel pairs" aria-label="Likely doubles">
      <li v-for="pair in data?.pairs" :key="pair.one.id + pair.other.id" class="two">
        <span v-for="file in [pair.one, pair.other]" :key="file.id">
          <NuxtLink :to="`/people/${file.id}`"
            ><bdi>{{ file.name }}</bdi></NuxtLink
          ><br /><span class="soft">{{ aboutFile(file) }}</span>
        </span>
      </li>
    </ul>
    <p v-if="data?.more" class="tag watch">
      There are more. They come up here as these are joined.
    </p>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 980px;
}
.pairs {
  padding: 6px 18px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 8px 20px;
  padding: 10px 0;
}
.two + .two {
  border-top: 1px solid var(--line);
}
</style>
