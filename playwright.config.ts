import { defineConfig, devices } from '@playwright/test'

const port = Number(process.env.E2E_PORT ?? 41301)

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.test.ts',
  outputDir: 'test-results/browser',
  workers: 1,
  fullyParallel: false,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list'], ['json']],
  use: {
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    actionTimeout: 10_000,
    baseURL: `http://127.0.0.1:${port}`,
    trace: process.env.TRACE ? 'on' : 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      // WebGL by software, everything else without it: drawing pages through software WebGL is many times slower.
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
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 300_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    stdout: 'pipe',
  },
})
