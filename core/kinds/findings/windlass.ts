import { choice } from './definition'

export const windlass = choice({
  kind: 'windlass',
  group: 'stance',
  name: 'Great toe raised',
  how: 'standing: what does the arch do?',
  plain: 'what the arch does when the big toe is lifted',
  child: 'an arch that rises on tiptoe is usual at any age',
  insensate: 'look, do not ask',
  harm: { rises: 0, late: 1, none: 2 },
  options: [
    ['rises', 'rises'],
    ['late', 'late'],
    ['none', 'not at all'],
  ],
})
