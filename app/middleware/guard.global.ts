import { useSession } from '~/stores/session'

/** The pages on which nothing of anybody's health stands. */
const OF_THE_DESK = ['/', '/people', '/you', '/tablet']

/**
 * Nobody sees a page of the house without being signed in; after signing in one lands where one
 * wanted to go.
 */
export default defineNuxtRouteMiddleware(async (to) => {
  // Opened by a link: the client's own form, a new colleague's password, the first hour.
  if (['/form', '/join', '/first-hour'].includes(to.path)) return
  const session = useSession()
  if (!session.asked) await session.load()
  if (import.meta.client && session.me && !session.me.locked) {
    const { openKeep } = await import('~/composables/keep')
    void openKeep().catch(() => {})
  }
  if (session.me) return wayOf(to.path, session.me.needsFactor, session.atDesk)
  if (to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } })
})

/** Where somebody who is signed in goes instead of a page; nowhere where it is theirs. */
function wayOf(path: string, needsFactor: boolean, atDesk: boolean) {
  // An owner whose house asks for a second factor sets it up before anything else.
  if (needsFactor && path !== '/you') return navigateTo('/you')
  const elsewhere = path === '/sign-in' || (atDesk && !OF_THE_DESK.includes(path))
  return elsewhere ? navigateTo('/') : undefined
}
