import { defineStore } from 'pinia'
import type { Person, Place } from '../../shared/contracts'
import { may, type Permission, type Role } from '../../shared/permissions'
import { api, ApiError, onSignedOut, type SignedOutCode } from '~/browser/api'
import { dropHistory } from '~/browser/keptChanges'
import { dropAnswers, lastAnswer, rememberAnswer } from '~/browser/lastAnswers'
import { rememberedPlace, rememberPlace } from '~/browser/thisPlace'
import { isSecretOf, lockAway, peopleHere, unlock } from '~/browser/sealing'

interface SignInPage {
  demo: { login: string; name: string; role: Role }[]
  firstOwner: boolean
  person: Person | null
  lock: Lock | null
  /** the shop of whoever is signed in */
  shop?: { name: string } | null
  place: { here: string; all: Place[] } | null
}
interface Lock {
  isLocked: boolean
  hasPin: boolean
  login: string
  /** without touch until the page hides */
  minutes: number
}

/** Who this device knows to be signed in, as they were told last. */
const ME = 'me'

/**
 * Who is at the bench. `locked` keeps the page, hidden, until its person shows that it is them
 * (`asks` is 'locked') or somebody signs in again ('signed-out').
 */
export const useSession = defineStore('session', {
  state: () => ({
    person: null as Person | null,
    login: '',
    locked: false,
    asks: 'signed-out' as SignedOutCode,
    known: false,
    page: null as SignInPage | null,
  }),
  getters: {
    /** the shop's open places */
    places: (s): Place[] => s.page?.place?.all ?? [],
    /** where one works now; empty while that is not known */
    placeId: (s): string => s.page?.place?.here ?? '',
    placeName(): string {
      return this.places.find((place) => place.id === this.placeId)?.name ?? ''
    },
  },
  actions: {
    async look() {
      onSignedOut((code) => this.person && this.lock(code))
      try {
        this.page = await api<SignInPage>('sign-in')
      } catch (error) {
        const isSilent = error instanceof ApiError && error.passing
        if (!isSilent || !(await this.lookHere())) throw error
        return this.page!
      }
      const { person, lock } = this.page
      // A key that was put away says that they signed out here, though the server may not have heard.
      const opened = person && (await unlock(person.id).catch(() => 'open'))
      this.person = opened === 'asks' ? null : person
      this.known = true
      this.login = lock?.login ?? this.login
      if (this.person && lock?.isLocked) this.lock('locked')
      if (this.person) void rememberAnswer(ME, this.page, this.person.id).catch(() => undefined)
      return this.page
    },
    /**
     * The server does not answer: whoever is signed in on this device finds what it had, once they
     * have shown that it is them.
     */
    async lookHere(): Promise<boolean> {
      for (const id of await peopleHere().catch(() => [])) {
        await unlock(id).catch(() => undefined)
        const last = await lastAnswer<SignInPage>(ME).catch(() => null)
        const page = last?.answer
        if (page?.person?.id !== id || !page.lock) continue
        this.page = { ...page, lock: { ...page.lock, isLocked: true, hasPin: false } }
        this.person = page.person
        this.login = page.lock.login
        this.known = true
        this.lock('locked')
        return true
      }
      return false
    },
    /** What holds of this session now: its lock, the shop's minutes, and whether it still stands. */
    async refresh() {
      const page = await api<SignInPage>('sign-in').catch(() => null)
      if (!page) return
      this.page = page
      if (this.person && page.person?.id !== this.person.id) return this.lock('signed-out')
      if (this.person) this.person = page.person
      if (this.person) void rememberAnswer(ME, page, this.person.id).catch(() => undefined)
    },
    /**
     * Another tab was opened again: this one too, if the server says that the session is open and
     * still this person's.
     */
    async openedElsewhere() {
      await this.refresh()
      if (this.asks === 'locked' && this.page?.lock?.isLocked === false) this.locked = false
    },
    async signIn(login: string, password: string) {
      const place = rememberedPlace()
      const body = { login, password, understood: true, ...(place && { place }) }
      const person = await api<Person>('sign-in', 'POST', body)
      await this.begin(person, login, password)
    },
    /** Somebody is signed in: what they kept on this device is opened first, then sent. */
    async begin(person: Person, login: string, secret: string) {
      await unlock(person.id, secret).catch(() => undefined)
      this.person = person
      this.login = login
      this.locked = false
    },
    /**
     * Works at another place from now on. What is typed belongs to where it was typed: while something
     * waits for the line, one stays.
     */
    async goTo(place: string) {
      const { useWaiting } = await import('./waiting')
      if (useWaiting().lines.length > 0)
        throw new Error('Something typed here still waits for the line. Go once it is sent.')
      await api('me/place', 'PUT', { place })
      rememberPlace(place)
      // What was shown offline was of the place that was left.
      if (this.person) await dropAnswers(this.person.id).catch(() => undefined)
      await this.refresh()
    },
    async signOut() {
      await api('sign-out', 'POST', {}).catch(() => undefined)
      const id = this.person?.id
      this.person = null
      if (!id) return
      await dropHistory(id).catch(() => undefined)
      await dropAnswers(id).catch(() => undefined)
      await lockAway(id).catch(() => undefined)
    },
    lock(asks: SignedOutCode = 'signed-out') {
      this.asks = asks
      this.locked = true
      // Whose session was ended finds nothing here without the server.
      if (asks === 'signed-out' && this.person)
        void dropAnswers(this.person.id).catch(() => undefined)
    },
    /** Hides the page now; where the line is down, this device alone hides it. */
    async lockNow() {
      if (this.locked) return
      this.lock('locked')
      await api('lock', 'POST', {}).catch(() => undefined)
    },
    /** Shows the page again to whoever it belongs to. */
    async open(shown: { pin: string } | { password: string }) {
      try {
        const person = await api<Person>('unlock', 'POST', shown)
        if (person.id !== this.person?.id) return this.lock('signed-out')
      } catch (error) {
        const { id = '' } = this.person ?? {}
        const isSilent = error instanceof ApiError && error.status === 0
        const isThem = isSilent && 'password' in shown && (await isSecretOf(id, shown.password))
        if (!isThem)
          throw isSilent && 'pin' in shown
            ? new Error('The server does not answer. Without it only the password opens this page.')
            : error
      }
      this.locked = false
    },
    may(permission: Permission): boolean {
      return this.person !== null && may(this.person.role, permission)
    },
  },
})
