import { existsSync } from 'node:fs';

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];
const port = Number(process.env['E2E_PORT'] ?? 4317);

/** One clock, zone and place for every run: a day in autumn, so that the demo lies in the next March. */
export const NOW = new Date('2026-11-25T10:00:00Z');
export const DEMO_DAY = '2027-03-13';
export const BASE_URL = `http://127.0.0.1:${port}`;

export const shared = {
  // A shared machine can be several times slower than it was a minute ago.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  // Two tests at a time: each page waits for its own workers most of the time.
  workers: 2,
  fullyParallel: true,
  reporter: [['list']] as [['list']],
  outputDir: 'test-results',
  use: {
    baseURL: BASE_URL,
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    // What it lays by for a street without a net takes its time in every new browser: allowed where it is tried.
    serviceWorkers: 'block' as const,
    contextOptions: { reducedMotion: 'reduce' as const },
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? CHROMIUM.find(existsSync) ?? 'chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
  webServer: {
    command: 'node ../server/dist/main.js',
    url: `${BASE_URL}/walk`,
    env: { PORT: String(port) },
    reuseExistingServer: false,
  },
};
