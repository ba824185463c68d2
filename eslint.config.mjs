// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

/** What a folder may not import, and why (docs/decisions/0002). */
const nope = (patterns, message) => ({
  'no-restricted-imports': ['error', { patterns: patterns.map((regex) => ({ regex, message })) }],
})
const FRAMEWORK =
  '^(vue|vue-router|pinia|vuetify|nuxt|h3|nitropack|comlink|pg|pdfkit|three|idb)(/|$)|^(@nuxt|@vue|@vueuse|@pinia)/'
const NODE = '^node:|^(fs|path|os|url|crypto|worker_threads)$'
const folder = (...names) => `(^|/)\\.\\.(/\\.\\.)*/(${names.join('|')})(/|$)`

export default withNuxt(
  {
    ignores: [
      '.data/**',
      '.output/**',
      '.cache/**',
      'test-results/**',
      'playwright-report/**',
      'docs/screenshots/**',
    ],
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      ...nope(
        [
          FRAMEWORK,
          NODE,
          '^(~|@|~~|@@)/',
          folder('app', 'server', 'shared', 'cli', 'scripts', 'demo', 'tests'),
        ],
        'core/ is the job itself: pure TypeScript, no interface, no server, no files',
      ),
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'Buffer',
        'localStorage',
        'useFetch',
        '$fetch',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core/ has no clock: pass the day in' },
        { object: 'Math', property: 'random', message: 'core/ has no chance: pass it in' },
      ],
    },
  },
  {
    files: ['shared/**/*.ts'],
    rules: nope([FRAMEWORK, NODE, folder('app', 'server', 'cli')], 'shared/ imports core only'),
  },
  {
    files: ['cli/**/*.ts'],
    rules: nope([FRAMEWORK, folder('app', 'server')], 'cli/ imports core only'),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: nope([NODE, folder('server', 'cli', 'demo')], 'app/ never reaches into the server'),
  },
  {
    files: ['server/**/*.ts'],
    rules: nope([folder('app', 'cli')], 'server/ never reaches into the interface'),
  },
  {
    files: ['app/stations/**/*.{ts,vue}'],
    rules: nope(
      [
        NODE,
        folder('server', 'cli'),
        '^\\.\\./(story|measure|examine|capture|prescribe|match|make|handover|followup)(/|$)',
        '~/stations/',
      ],
      'stations do not import each other; move what two share to drawing/, components/ or core/',
    ),
  },
  {
    rules: {
      'max-lines': ['warn', { max: 320, skipBlankLines: true }],
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off', // optional props say so in their type
    },
  },
)
