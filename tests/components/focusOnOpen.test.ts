import { mount } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { vFocusOnOpen } from '../../app/browser/focusOnOpen'

const Host = {
  directives: { focusOnOpen: vFocusOnOpen },
  template: '<div><p v-focus-on-open><input id="first" /></p><input id="second" /></div>',
}
let frames: (() => void)[] = []
/** The first field as a dialog has it that is still opening: it takes no focus yet. */
function opening() {
  frames = []
  vi.stubGlobal('requestAnimationFrame', (work: () => void) => frames.push(work))
  const focus = vi.spyOn(HTMLElement.prototype, 'focus').mockImplementation(() => undefined)
  const wrapper = mount(Host, { attachTo: document.body })
  focus.mockRestore()
  const next = () => frames.shift()?.()
  return { wrapper, next }
}
afterEach(() => vi.unstubAllGlobals())

test('the first field has the focus at once where it can', () => {
  mount(Host, { attachTo: document.body })
  expect(document.activeElement?.id).toBe('first')
})
test('it takes it as soon as the dialog lets it', () => {
  const { next } = opening()
  expect(document.activeElement?.id).not.toBe('first')
  next()
  expect(document.activeElement?.id).toBe('first')
  expect(frames).toHaveLength(0)
})
test('it never takes it from a field that somebody has reached', () => {
  const { wrapper, next } = opening()
  ;(wrapper.find('#second').element as HTMLElement).focus()
  next()
  expect(document.activeElement?.id).toBe('second')
  expect(frames).toHaveLength(0)
})
