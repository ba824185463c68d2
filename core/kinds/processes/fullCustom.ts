import { process } from './definition'
import { DUST } from './cautions'

export const fullCustom = process({
  kind: 'full-custom',
  plain: 'printing or milling a footbed to your shape',
  child: 'outgrown in a season or two: ask whether a lesser measure does',
  insensate: 'total contact, soft cover, no hard edge',
  row: {
    id: 'full-custom',
    name: 'Printed or milled shell',
    makes: ['full-custom'],
    materials: 'printed shells, cover sheet, adhesive, template',
    steps: [
      {
        id: 'print',
        words: 'Print or mill the solid, or order it',
        minutes: 480,
        waiting: true,
        overnight: true,
      },
      {
        id: 'finish',
        words: 'Finish the shell, break the edges',
        minutes: 15,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'post', words: 'Check post and heel flat on the bench', minutes: 5, perFoot: true },
      {
        id: 'cover',
        words: 'Cover, glue ventilated',
        minutes: 10,
        perFoot: true,
        caution: 'Adhesive: air moving.',
      },
      { id: 'set', words: 'Let the glue set', minutes: 60, waiting: true },
      { id: 'try', words: 'Try in the footwear', minutes: 3, client: true, needs: ['chair'] },
    ],
  },
})
