import { defineStore } from 'pinia'
import { useApi } from '~/composables/useApi'
import type { Me } from '#core/visit/bundle'

export const useSession = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const asked = ref(false)
  const api = useApi()

  async function load() {
    try {
      me.value = await api<Me>('/api/session')
    } catch {
      me.value = null
    }
    asked.value = true
  }
  async function signIn(email: string, password: string) {
    me.value = await api<Me>('/api/session', { method: 'POST', body: { email, password } })
  }
  /** Wipes what this device kept, unless something is unsent and the person wants to stay. */
  async function signOut() {
    const { wipeDevice } = await import('~/composables/keep')
    await api('/api/session', { method: 'DELETE' })
    await wipeDevice()
    me.value = null
  }
  async function lock() {
    await api('/api/session/lock', { method: 'POST' })
    if (me.value) me.value = { ...me.value, locked: true }
  }
  async function unlock(code: string) {
    await api('/api/session/unlock', { method: 'POST', body: { code } })
    if (me.value) me.value = { ...me.value, locked: false }
  }
  return { me, asked, load, signIn, signOut, lock, unlock }
})
