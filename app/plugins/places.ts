import { watch } from 'vue'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'

/** What every page shows of a place is read again when its person works elsewhere. */
export default defineNuxtPlugin(() => {
  const session = useSession()
  watch(
    () => session.placeId,
    (_, was) => {
      if (!was || !session.person) return
      void useTimers().load()
      const models = useModels()
      if (models.loaded) void models.load(true).catch(() => undefined)
    },
  )
})
