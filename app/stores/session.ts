import { defineStore } from 'pinia'
import type { Person } from '../../shared/contracts'
import { may, type Permission, type Role } from '../../shared/permissions'
import { api } from '~/browser/api'
import { dropHistory } from '~/browser/keptChanges'

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
      this.person = this.page.person
      this.known = true
      return this.page
    },
    async signIn(login: string, password: string) {
      this.person = await api<Person>('sign-in', 'POST', { login, password, understood: true })
      this.login = login
      this.locked = false
    },
    async signOut() {
      await api('sign-out', 'POST', {}).catch(() => undefined)
      await dropHistory().catch(() => undefined)
      this.person = null
    },
    lock() {
      this.locked = true
    },
    may(permission: Permission): boolean {
      return this.person !== null && may(this.person.role, permission)
    },
  },
})
