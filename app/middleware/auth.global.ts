import { useSession } from '~/stores/session'

/** Nobody sees a page before signing in. */
export default defineNuxtRouteMiddleware(async (to) => {
  const session = useSession()
  if (!session.known) await session.look().catch(() => undefined)
  if (!session.person && to.path !== '/sign-in') return navigateTo('/sign-in')
})
