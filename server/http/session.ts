import { useSession, type H3Event } from 'h3'
import type { SignedIn } from '../database/people'

interface SessionData {
  person?: SignedIn
  seenAt?: number
}

/** Minutes without a request after which a session is closed. */
const IDLE_MINUTES = Number(process.env.ARCH_IDLE_MINUTES ?? 30)
const REFRESH_MS = 60_000

const open = (event: H3Event) => {
  const password = process.env.ARCH_SESSION_SECRET
  if (!password || password.length < 32)
    throw new Error(
      'ARCH_SESSION_SECRET must have at least 32 characters: start the application with npm start',
    )
  return useSession<SessionData>(event, {
    password,
    name: 'gentle-arch',
    maxAge: 12 * 3600,
    cookie: {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      secure: process.env.ARCH_SECURE_COOKIE === 'yes',
    },
  })
}

/**
 * Who is signed in; null when nobody is, or after too long without a request. Keeps the session
 * alive.
 */
export async function signedIn(event: H3Event): Promise<SignedIn | null> {
  const session = await open(event)
  const { person, seenAt } = session.data
  if (!person || !seenAt) return null
  const idle = Date.now() - seenAt
  if (idle > IDLE_MINUTES * 60_000) {
    await session.clear()
    return null
  }
  if (idle > REFRESH_MS) await session.update({ seenAt: Date.now() })
  return person
}

export async function startSession(event: H3Event, person: SignedIn): Promise<void> {
  const session = await open(event)
  await session.clear()
  await (await open(event)).update({ person, seenAt: Date.now() })
}

export async function endSession(event: H3Event): Promise<void> {
  await (await open(event)).clear()
}
