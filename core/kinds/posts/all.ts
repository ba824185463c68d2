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

/** Each of several values once. */
function eachOnce<T>(values: Iterable<T>): [T, ...T[]] {
  const [first, ...others] = new Set(values)
  return [first!, ...others]
}
/** Where posts stand and how they are made, as their kinds say. */
export const POST_PLACES = eachOnce(POSTS.all.map((p) => p.at))
export const POST_STYLES = eachOnce(POSTS.all.map((p) => p.style))

/** The kind of a post of the record. */
export function postKind({ at, style }: Pick<PostOf, 'at' | 'style'>): PostDefinition<PostKind> {
  const found = POSTS.all.find((p) => p.at === at && p.style === style)
  if (!found) throw new RangeError(`there is no ${style} post at the ${at}`)
  return found
}
