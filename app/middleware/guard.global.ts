import { useSession } from '~/stores/session'

/**
 * Nobody sees a page of the house without being signed in; after signing in one lands where one
 * wanted to go.
 */
export default defineNuxtRouteMiddleware(async (to) => {
  // The client's own form: opened by a one-time link, by nobody of the house.
  if (to.path === '/form') return
  const session = useSession()
  if (!session.asked) await session.load()
  if (!session.me && to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } })
  if (session.me && to.path === '/sign-in') return navigateTo('/')
})
