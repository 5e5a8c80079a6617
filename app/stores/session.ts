import { defineStore } from 'pinia'
import { isOutOfReach, isProblem, useApi } from '~/composables/useApi'
import type { Me } from '#core/visit/bundle'
import { treats } from '#core/visit/roles'

const LOCK_AGAIN_MS = 3000

export const useSession = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const asked = ref(false)
  /** A treatment runs on this device. Kept by the visit's store, which is not on every page. */
  const treating = ref(false)
  const api = useApi()

  async function load() {
    try {
      me.value = await api<Me>('/api/session')
    } catch (error) {
      // A house that cannot answer just now has signed nobody out.
      if (isProblem(error) && error.status >= 500)
        throw createError({
          statusCode: error.status,
          statusMessage: 'Away',
          message: error.message,
        })
      me.value = isOutOfReach(error) ? await whoWorksHere() : null
    }
    asked.value = true
  }
  /** Out of reach of the house, in the middle of a treatment: whoever it is running under here. */
  async function whoWorksHere(): Promise<Me | null> {
    const { anyRunning } = await import('~/composables/keep')
    const running = await anyRunning<{ me: Me }>().catch(() => undefined)
    return running?.me ?? null
  }
  /** @param more the second factor, and in which practice, where that has been asked */
  async function signIn(
    email: string,
    password: string,
    { code, branch }: { code?: string; branch?: string } = {},
  ) {
    const body = { email, password, ...(code ? { code } : {}), ...(branch ? { branch } : {}) }
    me.value = await api<Me>('/api/session', { method: 'POST', body })
    const { forgetKey } = await import('~/composables/keep')
    await forgetKey()
  }
  /** Wipes what this device kept, unless something is unsent and the person wants to stay. */
  async function signOut() {
    const { wipeDevice } = await import('~/composables/keep')
    await wipeDevice()
    await api('/api/session', { method: 'DELETE' })
    me.value = null
  }
  /**
   * Locks the tablet: at once on the screen, in the house as soon as it is reached. What the page
   * held of a client is dropped, and what the tablet holds back can no longer be read here.
   */
  async function lock() {
    if (me.value) me.value = { ...me.value, locked: true }
    // The page lets go first (the visit's store of its own accord): whatever the device's store
    // does, nothing of a client stays in sight.
    clearNuxtData()
    const { forgetKey } = await import('~/composables/keep')
    await forgetKey()
    await tellLock()
  }
  async function tellLock(): Promise<void> {
    try {
      await api('/api/session/lock', { method: 'POST' })
    } catch (error) {
      // Out of reach: told again until it is, or until somebody has opened it.
      if (isProblem(error) && error.status > 0) return
      setTimeout(() => {
        if (me.value?.locked) void tellLock()
      }, LOCK_AGAIN_MS)
    }
  }
  async function unlock(given: { code: string } | { password: string }) {
    await api('/api/session/unlock', { method: 'POST', body: given })
    if (me.value) me.value = { ...me.value, locked: false }
  }
  /** Whoever books and sees nothing of health. */
  const atDesk = computed(() => me.value !== null && !treats(me.value.role))
  return { me, atDesk, asked, treating, load, signIn, signOut, lock, unlock }
})
