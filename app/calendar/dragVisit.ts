import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import type { Directive } from 'vue'

/** What a card does while it is dragged, in points of the window. */
export interface Dragged {
  /** null: it stays where it is */
  id: string | null
  /** `grabbedY`: how far below the card's top it was taken hold of, px */
  over: (id: string, at: { x: number; y: number; grabbedY: number }) => void
  drop: (id: string) => void
}

/** A finger or mouse that moves so little has pressed, not dragged, px. */
const PRESS_PX = 5

/** A card that is dragged by mouse, pen or finger. Whoever cannot drag uses the arrow keys, or the dialog. */
export const vDragVisit: Directive<HTMLElement, Dragged> = {
  mounted(el, binding) {
    bound.set(el, binding.value)
    let grabbedY = 0
    let moved = 0
    type Event = D3DragEvent<HTMLElement, unknown, unknown>
    const pointOf = ({ sourceEvent }: Event) => {
      const touch = (sourceEvent as TouchEvent).changedTouches?.[0]
      const { clientX: x, clientY: y } = touch ?? (sourceEvent as MouseEvent)
      return { x, y }
    }
    const behaviour = drag<HTMLElement, unknown>()
      .clickDistance(PRESS_PX)
      .filter((event: MouseEvent) => !event.button && bound.get(el)?.id !== null)
      .on('start', (event: Event) => {
        moved = 0
        grabbedY = pointOf(event).y - el.getBoundingClientRect().top
      })
      .on('drag', (event: Event) => {
        moved += Math.abs(event.dx) + Math.abs(event.dy)
        const { id, over } = bound.get(el)!
        if (id !== null && moved > PRESS_PX) over(id, { ...pointOf(event), grabbedY })
      })
      .on('end', () => {
        const { id, drop } = bound.get(el)!
        if (id !== null && moved > PRESS_PX) drop(id)
      })
    select(el).call(behaviour)
  },
  updated: (el, binding) => void bound.set(el, binding.value),
}
const bound = new WeakMap<HTMLElement, Dragged>()
