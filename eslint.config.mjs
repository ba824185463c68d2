// @ts-check
import { createNodeResolver, flatConfigs } from 'eslint-plugin-import-x'
import withNuxt from './.nuxt/eslint.config.mjs'
import { FLOORS } from './scripts/lib/floors.mjs'
import { spacedJoin } from './scripts/lib/spacedJoin.mjs'

/** What a folder may not import, and why (docs/decisions/house). */
const nope = (patterns, message) => ({
  'no-restricted-imports': ['error', { patterns: patterns.map((regex) => ({ regex, message })) }],
})
const FRAMEWORK =
  '^(vue|vue-router|pinia|vuetify|nuxt|h3|nitropack|comlink|pg|pdfkit|three|idb)(/|$)|^(@nuxt|@vue|@vueuse|@pinia)/'
const NODE = '^node:|^(fs|path|os|url|crypto|worker_threads)$'
const folder = (...names) => `(^|/)\\.\\.(/\\.\\.)*/(${names.join('|')})(/|$)`

/** The rooms of core/, and what lies above each of them. */
const ROOMS = FLOORS.flat()
const OUTSIDE_CORE = [
  FRAMEWORK,
  NODE,
  // Every other way of writing a path: the floors are told from relative ones alone.
  '^(~|@|~~|@@)/',
  '^#',
  folder('app', 'server', 'shared', 'cli', 'scripts', 'demo', 'tests'),
]
/** @param {string} room */
const above = (room) => {
  const floor = FLOORS.findIndex((rooms) => rooms.includes(room))
  const higher = FLOORS.slice(floor + 1).flat()
  // The ground floor stands on nothing of ours: tables and geometry do not know each other.
  const beside = floor === 0 ? FLOORS[0].filter((other) => other !== room) : []
  return [folder(...higher, ...beside)]
}

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
  ...ROOMS.map((room) => ({
    files: [`core/${room}/**/*.ts`],
    rules: nope([...OUTSIDE_CORE, ...above(room)], `core/${room} stands below (docs/house.md)`),
  })),
  {
    files: ['core/**/*.ts', 'cli/**/*.ts', 'shared/**/*.ts', 'server/**/*.ts'],
    plugins: { 'import-x': flatConfigs.recommended.plugins['import-x'] },
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.mjs'] })],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
    },
    rules: { 'import-x/no-cycle': 'error' },
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
    files: ['**/*.{ts,vue,mjs}'],
    plugins: { house: { rules: { 'spaced-join': spacedJoin } } },
    rules: { 'house/spaced-join': 'error' },
  },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off', // optional props say so in their type
    },
  },
)
