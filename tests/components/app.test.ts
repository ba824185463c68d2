import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import App from '../../app/app.vue'
import { useSession } from '../../app/stores/session'
import { demo, mountWith, settled } from './mountWith'

test('back after a lock, what others did meanwhile is read first', async () => {
  const { calls, fitting } = await mountWith(App, { record: demo('Tove') })
  const reads = () => calls.filter((c) => c.path === `fittings/${fitting.id}`).length
  useSession().locked = true
  await nextTick()
  const before = reads()
  useSession().locked = false
  await expect.poll(reads).toBe(before + 1)
  await settled()
})
