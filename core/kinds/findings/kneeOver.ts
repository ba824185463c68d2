import { choice } from './definition'

export const kneeOver = choice({
  kind: 'kneeOver',
  group: 'stance',
  name: 'Knee over',
  how: 'single-leg flex in the stance of the sport',
  plain: 'where the knee goes when you bend it',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  options: [
    ['inside', 'inside the toe'],
    ['first', 'great toe'],
    ['second', 'second'],
    ['third', 'third'],
    ['outside', 'outside'],
  ],
})
