import { defineConfig, devices } from '@playwright/test'

/** Two cores: two workers, each with a server and a database of its own (tests/e2e/fixtures.ts). */
const WORKERS = 2
const port = Number(process.env.E2E_PORT ?? 21301)
const last = port + WORKERS - 1

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.test.ts',
  outputDir: 'test-results/browser',
  workers: WORKERS,
  fullyParallel: false,
  // Two browsers and their workers on two cores, perhaps shared: what takes a second alone may take
  // thirty. These limits find what never comes; how fast it comes is told by npm run bench.
  timeout: 360_000,
  expect: { timeout: 60_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list'], ['json']],
  use: {
    ...devices['Desktop Chrome'],
    // Its own test has it; elsewhere lines that tests cut must be seen by the page itself.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    trace: process.env.TRACE ? 'on' : 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      // WebGL by software, everything else without it: drawing pages through software WebGL is many
      // times slower.
      args: [
        '--no-sandbox',
        '--disable-gpu-compositing',
        '--use-angle=swiftshader',
        '--enable-unsafe-swiftshader',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node scripts/serve-test.mjs',
    env: { E2E_SERVERS: String(WORKERS), E2E_PORT: String(port) },
    url: `http://127.0.0.1:${last}/api/health`,
    reuseExistingServer: false,
    timeout: 300_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    stdout: 'pipe',
  },
})
