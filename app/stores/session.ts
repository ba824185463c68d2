import { defineStore } from 'pinia'
import type { Person } from '../../shared/contracts'
import { may, type Permission, type Role } from '../../shared/permissions'
import { api } from '~/browser/api'
import { dropHistory } from '~/browser/keptChanges'
import { lockAway, unlock } from '~/browser/sealing'

interface SignInPage {
  demo: { login: string; name: string; role: Role }[]
  firstOwner: boolean
  person: Person | null
}

/** Who is at the bench. `locked` keeps the page open while somebody has to sign in again. */
export const useSession = defineStore('session', {
  state: () => ({
    person: null as Person | null,
    login: '',
    locked: false,
    known: false,
    page: null as SignInPage | null,
  }),
  actions: {
    async look() {
      this.page = await api<SignInPage>('sign-in')
      const { person } = this.page
      // A key that was put away says that they signed out here, though the server may not have heard.
      const opened = person && (await unlock(person.id).catch(() => 'open'))
      this.person = opened === 'asks' ? null : person
      this.known = true
      return this.page
    },
    async signIn(login: string, password: string) {
      const person = await api<Person>('sign-in', 'POST', { login, password, understood: true })
      await this.begin(person, login, password)
    },
    /** Somebody is signed in: what they kept on this device is opened first, then sent. */
    async begin(person: Person, login: string, secret: string) {
      await unlock(person.id, secret).catch(() => undefined)
      this.person = person
      this.login = login
      this.locked = false
    },
    async signOut() {
      await api('sign-out', 'POST', {}).catch(() => undefined)
      const id = this.person?.id
      this.person = null
      if (!id) return
      await dropHistory(id).catch(() => undefined)
      await lockAway(id).catch(() => undefined)
    },
    lock() {
      this.locked = true
    },
    may(permission: Permission): boolean {
      return this.person !== null && may(this.person.role, permission)
    },
  },
})
