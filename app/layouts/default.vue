<script setup lang="ts">
import {
  mdiAccountGroupOutline,
  mdiAccountOutline,
  mdiBookOpenVariantOutline,
  mdiCalendarOutline,
  mdiHomeCityOutline,
  mdiLockOutline,
  mdiLogout,
  mdiBottleTonicPlusOutline,
} from '@mdi/js'
import { useSession } from '~/stores/session'

const session = useSession()
const route = useRoute()
const leaving = ref(false)
const unsent = ref(0)
const places = computed(() => [
  { to: '/', name: 'Day', icon: mdiCalendarOutline },
  { to: '/people', name: 'People', icon: mdiAccountGroupOutline },
  ...(session.atDesk
    ? []
    : [
        { to: '/shelf', name: 'Shelf', icon: mdiBottleTonicPlusOutline },
        { to: '/method', name: 'Method', icon: mdiBookOpenVariantOutline },
      ]),
  ...(session.me?.role === 'owner'
    ? [{ to: '/practice', name: 'Practice', icon: mdiHomeCityOutline }]
    : []),
])
const here = (to: string) =>
  to === '/' ? route.path === '/' || route.path.startsWith('/visits') : route.path.startsWith(to)

async function leave(sure = false) {
  const { unsentCount } = await import('~/composables/keep')
  unsent.value = await unsentCount()
  if (unsent.value > 0 && !sure) {
    leaving.value = true
    return
  }
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <div class="house">
    <a href="#main" class="skip">To the page</a>
    <nav v-if="session.me" class="rail noprint" aria-label="Places">
      <div class="mark serif" aria-hidden="true">Oak<br />Basin</div>
      <NuxtLink
        v-for="link in places"
        :key="link.to"
        :to="link.to"
        class="place"
        :class="{ here: here(link.to) }"
        :aria-current="here(link.to) ? 'page' : undefined"
      >
        <VIcon :icon="link.icon" size="22" aria-hidden="true" /><span>{{ link.name }}</span>
      </NuxtLink>
      <div class="grow" />
      <NuxtLink
        to="/you"
        class="place"
        :class="{ here: here('/you') }"
        :aria-current="here('/you') ? 'page' : undefined"
      >
        <VIcon :icon="mdiAccountOutline" size="22" aria-hidden="true" /><span>You</span>
      </NuxtLink>
      <VBtn v-if="session.me.hasCode" variant="text" stacked class="place" @click="session.lock()">
        <VIcon :icon="mdiLockOutline" size="22" aria-hidden="true" /><span>Lock</span>
      </VBtn>
      <VBtn variant="text" stacked class="place" @click="leave()">
        <VIcon :icon="mdiLogout" size="22" aria-hidden="true" /><span>Sign out</span>
      </VBtn>
    </nav>
    <main id="main" class="page" tabindex="-1"><slot /></main>
    <LazyUnsentDialog
      v-if="leaving"
      :unsent="unsent"
      @stay="leaving = false"
      @leave="leave(true)"
    />
  </div>
</template>

<style scoped>
.house {
  display: flex;
  min-height: 100dvh;
  background: var(--linen);
}
.rail {
  width: 84px;
  flex: none;
  background: var(--oak);
  color: var(--linen);
  display: flex;
  flex-direction: column;
  align-items: stretch;
  padding: 14px 0;
  gap: 2px;
  position: sticky;
  top: 0;
  height: 100dvh;
}
.mark {
  text-align: center;
  font-size: 1.1rem;
  line-height: 1.05;
  margin-bottom: 14px;
}
.place {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  padding: 9px 4px;
  margin-left: 8px;
  border-radius: 12px 0 0 12px;
  color: inherit;
  text-decoration: none;
  font-size: 0.875rem;
  background: none;
  border: 0;
  cursor: pointer;
  font-family: inherit;
  min-height: 52px;
  justify-content: center;
}
.place :deep(.v-btn__content) {
  font-size: 0.875rem;
  font-weight: 400;
}
.place:hover {
  background: rgb(255 255 255 / 10%);
}
.place.here {
  background: var(--linen);
  color: var(--ink);
  font-weight: 700;
}
.grow {
  flex: 1;
}
.page {
  flex: 1;
  min-width: 0;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 90px;
  top: 4px;
  background: var(--chalk);
  padding: 8px;
  z-index: 10;
}
/* A tablet at twice the size: the whole rail is there all the same. */
@media (max-height: 620px) {
  .rail {
    padding: 4px 0;
    gap: 0;
    overflow-y: auto;
  }
  .mark {
    display: none;
  }
  .place {
    min-height: 44px;
    height: 48px !important;
    padding: 1px 4px;
    gap: 0;
    font-size: 0.8125rem;
  }
  .place :deep(.v-icon) {
    font-size: 1.15rem;
  }
}
@media (max-width: 820px) and (orientation: portrait) {
  .rail {
    width: 72px;
  }
}
</style>
