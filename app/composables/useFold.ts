import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

/**
 * A card that folds to a strip: closed until somebody opens it, and then as they left it on this device.
 *
 * @param wants is there something in it that should be seen before anybody chose?
 */
export function useFold(name: string, wants: () => boolean = () => false) {
  const chosen = useLocalStorage<string | null>(`fold.${name}`, null)
  const open = computed(() => (chosen.value === null ? wants() : chosen.value === 'open'))
  const toggle = () => (chosen.value = open.value ? 'closed' : 'open')
  return { open, toggle }
}
