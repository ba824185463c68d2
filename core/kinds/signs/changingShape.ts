import { sign } from './definition'

export const changingShape = sign({
  kind: 'changingShape',
  ask: 'a foot that changes its shape quickly',
  refer: 'rapidly changing shape',
  childOnly: false,
  lookFor: true,
})
