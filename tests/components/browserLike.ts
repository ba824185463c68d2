import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'

// Files share their modules: what the one before asked for is asked for again.
disableAutoUnmount()
enableAutoUnmount(afterEach)

// What a window has and happy-dom has not.
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
)
vi.stubGlobal(
  'IntersectionObserver',
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
)
vi.stubGlobal('visualViewport', new EventTarget())
/** A line to the server on which nothing comes. */
vi.stubGlobal(
  'EventSource',
  class extends EventTarget {
    close() {}
  },
)

// The browser's own database: what waits for the server is kept by the page alone here.
vi.mock('~/browser/keptChanges', () => ({
  keepPending: async () => undefined,
  dropKept: async () => undefined,
  pendingOf: async () => [],
  keepRequest: async () => undefined,
  requestsOf: async () => [],
  closedCount: async () => ({ others: 0, own: 0 }),
  filesOf: async () => [],
  sealLegible: async () => undefined,
  keepHistory: async () => undefined,
  historyOf: async () => undefined,
  dropHistory: async () => undefined,
}))
vi.mock('~/browser/lastAnswers', () => ({
  rememberAnswer: async () => undefined,
  lastAnswer: async () => null,
  dropAnswer: async () => undefined,
  dropAnswers: async () => undefined,
}))
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  peopleHere: async () => [],
  canSeal: () => true,
  unlock: async () => 'open',
  lockAway: async () => undefined,
}))
