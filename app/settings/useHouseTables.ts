import { computed, ref } from 'vue'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import { api } from '~/browser/api'
import { plainCopy } from '~/browser/plainCopy'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'

/** The shop's tables in versions, and a draft of the next one. */
export function useHouseTables() {
  const outbox = useOutbox()
  const versions = ref<{ norms: ShopTables; madeBy: string | null; madeAt: string }[]>([])
  const draft = ref<ShopTables>(plainCopy(HOUSE_TABLES))
  const changed = ref(false)
  const source = ref('')
  const trouble = ref('')
  const done = ref('')
  const current = computed(() => versions.value[0]?.norms ?? HOUSE_TABLES)

  function take(part: Partial<ShopTables>) {
    draft.value = { ...draft.value, ...plainCopy(part) }
    changed.value = true
  }
  async function load() {
    versions.value = (await api<{ versions: typeof versions.value }>('norms')).versions
    draft.value = plainCopy(current.value)
    changed.value = false
    source.value = ''
  }
  /** Keeps the draft as the next version. @returns whether it is kept, here or on this device */
  async function save(): Promise<boolean> {
    try {
      const kept = await outbox.write<{ norms: ShopTables }>({
        method: 'POST',
        path: 'norms',
        body: { basedOn: current.value.version, norms: { ...draft.value, source: source.value } },
        words: `table ${current.value.version + 1} of the house`,
      })
      trouble.value = ''
      if ('waits' in kept) {
        done.value = KEPT_HERE
        return true
      }
      await load()
      done.value = `Table ${kept.answer.norms.version} holds for fittings opened from now on. Older fittings keep theirs.`
      return true
    } catch (error) {
      trouble.value = (error as Error).message
      return false
    }
  }
  return { versions, draft, changed, source, trouble, done, current, take, load, save }
}
