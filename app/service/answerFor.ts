/** What the service worker is built with. */
export interface Given {
  version: string
  /** paths of the application's own files */
  files: string[]
}

/** Where answers come from and are kept. */
export interface Store {
  fetch: () => Promise<Response>
  kept: (file: string) => Promise<Response | undefined>
  keep: (file: string, response: Response) => Promise<void>
}

/** The page that every address of the application begins with. */
export const SHELL = '/'
/** So long the server may take to answer with a page before the kept one is shown, ms. */
const PATIENCE_MS = 4_000

const later = (ms: number) => new Promise<null>((done) => setTimeout(() => done(null), ms))

/** The server's page, kept for later; where it does not come, the one that was kept. */
async function page(store: Store): Promise<Response> {
  const asked = store.fetch().then(async (response) => {
    const isPage = response.headers.get('content-type')?.includes('text/html')
    if (response.ok && isPage) await store.keep(SHELL, response.clone())
    return response
  })
  const first = await Promise.race([asked.catch(() => null), later(PATIENCE_MS)])
  // A server that stumbles is none: what people had is better than its regrets.
  if (first && first.status < 500) return first
  return (await store.kept(SHELL)) ?? first ?? asked
}

/** A file whose name tells its content: what was kept is right for ever. */
async function file(pathname: string, store: Store): Promise<Response> {
  const kept = await store.kept(pathname)
  if (kept) return kept
  const response = await store.fetch()
  if (response.ok) await store.keep(pathname, response.clone())
  return response
}

/** How a request is answered; null where it goes to the server as it is. */
export function answerFor(
  { pathname, isPage }: { pathname: string; isPage: boolean },
  store: Store,
): Promise<Response> | null {
  if (pathname.startsWith('/api/')) return null
  if (isPage) return page(store)
  if (pathname.startsWith('/_nuxt/') || pathname === '/mark.svg') return file(pathname, store)
  return null
}
