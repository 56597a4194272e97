import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';

const launchOptions = JSON.parse(readFileSync(new URL('../e2e/chromium.json', import.meta.url), 'utf8'));

/** Debian's Chromium, without anything that would reach for a network. */
export const launchBrowser = () => chromium.launch(launchOptions);

/** Where the running program is. */
export const programUrl = process.env.LEVAMEN_URL ?? 'http://127.0.0.1:4780';
