import { forefootExtrinsic } from './forefootExtrinsic'
import { forefootIntrinsic } from './forefootIntrinsic'
import { rearfootExtrinsic } from './rearfootExtrinsic'
import { rearfootIntrinsic } from './rearfootIntrinsic'
import { registry } from '../registry'
import type { PostDefinition, PostOf } from './definition'

/** Every kind of post: of the heel first, set on before cast in. */
const LIST = [rearfootExtrinsic, rearfootIntrinsic, forefootExtrinsic, forefootIntrinsic] as const

export type PostKind = (typeof LIST)[number]['kind']
export const POSTS = registry<PostDefinition<PostKind>>(LIST)

/** The kind of a post of the record. */
export function postKind({ at, style }: Pick<PostOf, 'at' | 'style'>): PostDefinition<PostKind> {
  const found = POSTS.all.find((p) => p.at === at && p.style === style)
  if (!found) throw new RangeError(`there is no ${style} post at the ${at}`)
  return found
}
