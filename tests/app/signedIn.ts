import { useSession } from '../../app/stores/session'
import { emptyDisk } from './fakeDisk'

/** Somebody is signed in, and nothing of anybody waits. */
export function signedIn() {
  emptyDisk()
  useSession().person = { id: 'p', name: 'Rhona', role: 'owner' } as never
}
