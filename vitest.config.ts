import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { templateOptions } from './templateOptions'

/** Hundreds of scans, thousands of records: `npm run test:long` only. */
const LONG = process.env.ARCH_EFFORT === 'long'
const exclude = ['**/node_modules/**', ...(LONG ? [] : ['**/*.long.test.ts'])]
const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '#core': at('./core'), '~': at('./app') } },
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          include: ['tests/core/**/*.test.ts', 'tests/app/**/*.test.ts'],
          exclude,
          testTimeout: 240_000,
          maxWorkers: 2,
        },
      },
      {
        extends: true,
        plugins: [vue({ template: { compilerOptions: templateOptions } })],
        test: {
          name: 'components',
          environment: 'happy-dom',
          maxWorkers: 2,
          testTimeout: 60_000,
          include: ['tests/components/**/*.test.ts'],
          setupFiles: ['tests/components/browserLike.ts'],
          server: { deps: { inline: ['vuetify'] } },
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          environment: 'node',
          include: ['tests/server/**/*.test.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
          globalSetup: ['tests/server/cluster.ts'],
        },
      },
    ],
  },
})
