import { expect, test } from 'vitest'
import { computed, markRaw, nextTick } from 'vue'
import BoardCheck from '../../app/stations/match/BoardCheck.vue'
import type { Match } from '../../app/stations/match/useMatch'
import { useChanges } from '../../app/stores/changes'
import { useFitting } from '../../app/stores/fitting'
import type { Footwear } from '../../core/record/schema'
import { shell } from '../fixtures/handShell'
import { field, textOf } from './find'
import { demo, mountWith } from './mountWith'

const BOOT = shell({ family: 'soft-boot' })
async function open() {
  const record = demo('Tove')
  record.footwear = {
    candidates: [],
    chosen: {
      model: BOOT.id,
      sizeLeftMm: 265,
      sizeRightMm: 265,
      shellChecks: [],
      tryOn: [],
      work: [],
    },
  }
  const Host = {
    components: { BoardCheck },
    setup() {
      const fitting = useFitting()
      const changes = useChanges()
      const match = {
        fitting,
        footwear: computed(() => fitting.record.footwear!),
        chosen: computed(() => fitting.record.footwear!.chosen),
        put: (next: Footwear, words: string) => changes.put('footwear', next, words),
      }
      return { match: markRaw(match) as never as Match, BOOT }
    },
    template: '<BoardCheck :match="match" :model="BOOT" />',
  }
  const opened = await mountWith(Host, { record })
  const set = async (name: RegExp, value: string) => {
    const input = field(opened.wrapper, name)
    await input.setValue(value)
    await input.trigger('change')
    await nextTick()
  }
  return { ...opened, set, footwear: () => opened.fitting.record.footwear! }
}

test('board and stance are the client’s, the sole is the shell’s; each foot says how it stands', async () => {
  const { wrapper, set, footwear } = await open()
  expect(textOf(wrapper)).toMatch(/Left board and stance first/)
  await set(/^Width of the board/, '280')
  await set(/^left boot turned/, '0')
  await set(/^right boot turned/, '0')
  // 278 mm inside and 26 more over 280: 12 mm at each end, and an estimate.
  expect(textOf(wrapper)).toMatch(/Left.*12 mm over the edge at toe and heel: right/)
  expect(textOf(wrapper)).toContain('estimate')
  await set(/^left sole/, '290')
  await set(/^right sole/, '330')
  expect(textOf(wrapper)).toMatch(/Left.*5 mm over the edge at toe and heel: right/)
  expect(textOf(wrapper)).toMatch(/Right.*25 mm over the edge.*it drags in the turn/)
  expect(textOf(wrapper)).not.toContain('estimate')
  expect(footwear().board).toEqual({ widthMm: 280, angleDeg: { left: 0, right: 0 } })
  expect(footwear().chosen!.soleLengthMm).toEqual({ left: 290, right: 330 })
})
