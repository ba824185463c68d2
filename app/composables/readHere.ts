import { onMounted, watch } from 'vue'
import { useSession } from '~/stores/session'

/** Reads what is of a place once the page stands, and again whenever its person works elsewhere. */
export function readHere(load: () => unknown): void {
  const session = useSession()
  onMounted(load)
  watch(
    () => session.placeId,
    (_, was) => void (was && load()),
  )
}
