import { setResponseHeader } from 'h3'
import { handlers } from '#nitro-internal-virtual/server-handlers'
import { HttpProblem } from '../http/problem'
import { route } from '../http/route'

/** A route's own address as a pattern; a part in brackets or behind a colon is anything. */
const patternOf = (path: string) =>
  new RegExp(`^${path.replace(/[.+?^${}()|[\]\\]/g, '\\$&').replace(/:[^/]+/g, '[^/]+')}$`)
const known = handlers.flatMap(({ route: path, method }) =>
  path.startsWith('/api/') && !path.includes('**') && method
    ? [{ pattern: patternOf(path), method: method.toUpperCase() }]
    : [],
)

/** Whatever is no route: nothing is here, or not by this method. Never a page. */
export default route({ permission: 'public' }, ({ event }) => {
  const path = event.path.replace(/\?.*/, '')
  const methods = known.filter(({ pattern }) => pattern.test(path)).map(({ method }) => method)
  if (methods.length === 0)
    throw new HttpProblem(404, 'not-found', 'There is nothing with this address.')
  setResponseHeader(event, 'allow', methods.join(', '))
  throw new HttpProblem(405, 'wrong-method', `This address takes ${methods.join(', ')}.`)
})
