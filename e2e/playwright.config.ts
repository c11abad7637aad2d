import { defineConfig } from '@playwright/test';
import { shared } from './settings.js';

export default defineConfig({ ...shared, testDir: 'specs' });
