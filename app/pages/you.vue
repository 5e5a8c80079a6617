<script setup lang="ts">
import { LICENCE_NAMES, type LicenceId } from '#core/catalogue/kinds'
import { useAttempt } from '~/composables/attempt'
import { isoDayWords } from '~/composables/dates'
import { useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

useHead({ title: 'You · Oak Basin' })
const api = useApi()
const session = useSession()
const { busy, trouble, attempt } = useAttempt()
const licences = computed(() =>
  (session.me?.licences ?? []).map((id: LicenceId) => {
    const last = session.me?.licenceUntil?.[id]
    return { id, name: LICENCE_NAMES[id], until: last ? `until ${isoDayWords(last)}` : '' }
  }),
)
const everywhere = () =>
  attempt(async () => {
    await api('/api/session/revoke', { method: 'POST' })
    await session.signOut()
    await navigateTo('/sign-in')
  })
</script>

<template>
  <div class="you stack">
    <h1>{{ session.me?.name }}</h1>
    <p class="soft">
      {{ session.me?.role
      }}<template v-if="session.me?.practice">, {{ session.me.practice }}</template>
    </p>
    <div class="cols">
      <div class="stack">
        <section class="panel">
          <h2>What you are licensed for</h2>
          <ul class="plainlist">
            <li v-for="own in licences" :key="own.id">
              {{ own.name }} <span class="soft">{{ own.until }}</span>
            </li>
          </ul>
        </section>
        <QuickCodeForm />
        <section class="panel stack">
          <h2>This tablet</h2>
          <p class="soft">Its name, its foot switch, its sounds in the room.</p>
          <VBtn variant="outlined" to="/tablet">Set it up</VBtn>
        </section>
      </div>
      <div class="stack">
        <SecondFactor />
        <OwnPassword />
        <section class="panel stack">
          <h2>Signed in elsewhere?</h2>
          <p class="soft">Signs you out on every device, this one too.</p>
          <VBtn variant="outlined" :loading="busy" @click="everywhere">Sign out everywhere</VBtn>
          <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.you {
  padding: 20px 28px;
}
.cols {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  align-items: start;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
