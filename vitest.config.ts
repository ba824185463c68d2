import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { templateOptions } from './templateOptions'

/** Hundreds of scans, thousands of records: `npm run test:long` only. */
const LONG = process.env.ARCH_EFFORT === 'long'
const exclude = ['**/node_modules/**', ...(LONG ? [] : ['**/*.long.test.ts'])]
const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** Components in something like a browser. */
const inPage = {
  environment: 'happy-dom',
  maxWorkers: 2,
  testTimeout: 60_000,
  setupFiles: ['tests/components/browserLike.ts'],
  server: { deps: { inline: ['vuetify'] } },
}
const vuePlugins = [vue({ template: { compilerOptions: templateOptions } })]
/** Tests that put something in a module's place have its modules for themselves. */
const ALONE = 'tests/components/**/*.alone.test.ts'

export default defineConfig({
  resolve: { alias: { '#core': at('./core'), '~': at('./app') } },
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          include: ['tests/core/**/*.test.ts'],
          exclude,
          testTimeout: 240_000,
          maxWorkers: 2,
          // Nothing in core remembers: its files are read once for all tests of a worker.
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'stores',
          environment: 'node',
          include: ['tests/app/**/*.test.ts'],
          maxWorkers: 2,
        },
      },
      {
        extends: true,
        plugins: vuePlugins,
        test: {
          ...inPage,
          name: 'components',
          include: ['tests/components/**/*.test.ts'],
          exclude: [...exclude, ALONE],
          isolate: false,
        },
      },
      {
        extends: true,
        plugins: vuePlugins,
        test: { ...inPage, name: 'components alone', include: [ALONE] },
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
