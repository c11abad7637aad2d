import { defineConfig } from '@playwright/test';
import { shared } from './settings.js';

/** Pictures of each main view for the README, from the demo. */
export default defineConfig({ ...shared, testDir: 'screenshots' });
