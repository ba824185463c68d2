import type { Directive } from 'vue'

/** Frames in which a dialog that is still opening may not take the focus yet. */
const MOST_FRAMES = 30

const isTyping = () => document.activeElement?.matches('input, textarea, select') ?? false

/**
 * `v-focus-on-open`: the field one types into first. It never takes the focus from a field that
 * somebody has reached meanwhile, as the kit's own autofocus does on a slow machine.
 */
export const vFocusOnOpen: Directive<HTMLElement> = {
  mounted(element) {
    const field = element.querySelector<HTMLElement>('input, textarea') ?? element
    let left = MOST_FRAMES
    function take() {
      if (!field.isConnected || document.activeElement === field) return
      if (isTyping() && left < MOST_FRAMES) return
      field.focus()
      if (document.activeElement !== field && left-- > 0) requestAnimationFrame(take)
    }
    take()
  },
}
