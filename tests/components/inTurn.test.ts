import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import InTurn from '../../app/components/InTurn.vue'

const later = () => new Promise((go) => setTimeout(go, 5))
let made = 0
const Heavy = defineComponent({
  setup() {
    made++
    return () => h('p', 'heavy')
  },
})
const Host = defineComponent({
  components: { InTurn, Heavy },
  props: { shown: { type: Boolean, default: true } },
  template: '<section v-if="shown"><h1>Station</h1><InTurn><Heavy /></InTurn></section>',
})

test('the station stands at once, its piece in a later task', async () => {
  const wrapper = mount(Host)
  await nextTick()
  expect(wrapper.text()).toBe('Station')
  await later()
  expect(wrapper.text()).toContain('heavy')
})

test('a station that is left before its turn never makes its piece', async () => {
  made = 0
  const wrapper = mount(Host)
  await wrapper.setProps({ shown: false })
  await later()
  expect(made).toBe(0)
})
