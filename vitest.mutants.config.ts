import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The room of core whose mutants are held against its own tests. */
const ROOM = process.env.ARCH_ROOM ?? '*'

/** Tests that mutants of a room are held against: the room's own (scripts/mutants.mjs). */
export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  // The mutated copy has no generated settings of the compiler beside it.
  esbuild: { tsconfigRaw: '{}' },
  test: {
    environment: 'node',
    include: [`tests/core/${ROOM}/**/*.test.ts`],
    exclude: ['tests/core/**/*.long.test.ts'],
    testTimeout: 60_000,
  },
})
