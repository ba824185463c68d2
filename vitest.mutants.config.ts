import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/**
 * Tests that mutants are held against: the core's own, without those that start processes or build
 * whole scans and solids, which say little of a changed comparison and take minutes.
 */
export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  // The mutated copy has no generated settings of the compiler beside it.
  esbuild: { tsconfigRaw: '{}' },
  test: {
    environment: 'node',
    include: ['tests/core/**/*.test.ts'],
    exclude: [
      'tests/core/**/*.long.test.ts',
      'tests/core/capture/**',
      'tests/core/device/{solid,files,layers,anyDevice}.test.ts',
      'tests/core/{commandLine,demoNumbers,standin,archStiffness,contact,estimates,anyRecord}.test.ts',
    ],
    testTimeout: 60_000,
  },
})
