import { choice } from './definition'

export const fatPad = choice({
  kind: 'fatPad',
  group: 'skin',
  name: 'Heel pad',
  how: 'thumb under the heel',
  plain: 'the soft pad under the heel',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  harm: { usual: 0, thin: 1 },
  options: [
    ['usual', 'usual'],
    ['thin', 'thin'],
  ],
})
