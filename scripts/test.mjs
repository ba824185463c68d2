// npm test: lint, types, core, components and server, build, browser; closes with one line "N
// passed, N failed". What is drawn by chance is a sample here; all of it is npm run test:long.
import { build } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'
import { browser, check, close, step, vitest } from './lib/testRuns.mjs'

needDebian(['postgresql', 'fonts-wqy-microhei', 'chromium', 'poppler-utils', 'admesh'])
needNpm()

// Two cores: checks of the text run beside each other, one core each.
await Promise.all([
  (async () => {
    await check('lint', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'])
    await check('format', ['node_modules/prettier/bin/prettier.cjs', '--check', '.'])
  })(),
  (async () => {
    await check('types', ['node_modules/nuxt/bin/nuxt.mjs', 'typecheck'])
    await check('types of core, tests and tools', [
      'node_modules/vue-tsc/bin/vue-tsc.js',
      '-p',
      'tsconfig.tools.json',
    ])
  })(),
])
await vitest('core and components', ['core', 'stores', 'components', 'components alone'])
if (await step('build', async () => ((await build()) === 0 ? [1, 0] : [0, 1]))) {
  await vitest('server', ['server'])
  await browser('browser')
}
close()
