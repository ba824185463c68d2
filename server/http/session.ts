import {
  getCookie,
  getHeader,
  getRequestIP,
  getRequestProtocol,
  useSession,
  type H3Event,
} from 'h3'
import { database } from '../database/pool'
import { beginSession, endOneSession, openSession, type OpenSession } from '../database/sessions'
import type { SignedIn } from '../database/people'
import { deviceWords } from './deviceWords'

interface Cookie {
  session?: string
}

/** Minutes without a request after which a session is locked, where a run wants its own. */
const IDLE_MINUTES = process.env.ARCH_IDLE_MINUTES ? Number(process.env.ARCH_IDLE_MINUTES) : null
const COOKIE = 'gentle-arch'

/** Is there a proxy of our own in front, whose word on address and protocol counts? */
const BEHIND_PROXY = process.env.ARCH_BEHIND_PROXY === 'yes'

/** The cookie goes over TLS only where the page came over TLS. */
const isSecure = (event: H3Event): boolean =>
  process.env.ARCH_SECURE_COOKIE === 'yes' ||
  getRequestProtocol(event, { xForwardedProto: BEHIND_PROXY }) === 'https'

/** Where a request comes from. */
export const addressOf = (event: H3Event): string =>
  getRequestIP(event, { xForwardedFor: BEHIND_PROXY }) ?? 'unknown'

const cookieOf = (event: H3Event) => {
  const password = process.env.ARCH_SESSION_SECRET
  if (!password || password.length < 32)
    throw new Error(
      'ARCH_SESSION_SECRET must have at least 32 characters: start the application with npm start',
    )
  return useSession<Cookie>(event, {
    password,
    name: COOKIE,
    maxAge: 12 * 3600,
    cookie: { httpOnly: true, sameSite: 'strict', path: '/', secure: isSecure(event) },
  })
}

/** Cookies that were opened before: a key made from the secret for each request takes a while. */
const opened = new Map<string, string>()
const MOST_OPENED = 1000

/** The session that this request's cookie names. */
async function sessionIdOf(event: H3Event): Promise<string | undefined> {
  const sealed = getCookie(event, COOKIE)
  const known = sealed && opened.get(sealed)
  if (known) return known
  const { session } = (await cookieOf(event)).data
  if (sealed && session) {
    opened.set(sealed, session)
    if (opened.size > MOST_OPENED) opened.delete(opened.keys().next().value!)
  }
  return session
}

/** The session of this request, locked or not; null when there is none, or it was ended. */
export async function sessionOf(event: H3Event): Promise<OpenSession | null> {
  const session = await sessionIdOf(event)
  return session ? openSession(database(), session, IDLE_MINUTES) : null
}

export async function startSession(
  event: H3Event,
  person: SignedIn,
  place?: string,
): Promise<void> {
  const former = await cookieOf(event)
  if (former.data.session) await endOneSession(database(), former.data.session)
  await former.clear()
  const device = deviceWords(getHeader(event, 'user-agent'))
  const session = await beginSession(database(), person.id, device, place)
  await (await cookieOf(event)).update({ session })
}

export async function endSession(event: H3Event): Promise<void> {
  const cookie = await cookieOf(event)
  if (cookie.data.session) await endOneSession(database(), cookie.data.session)
  await cookie.clear()
}
