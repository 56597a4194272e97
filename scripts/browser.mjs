import { chromium } from '@playwright/test';

/** Debian's Chromium, without anything that would reach for a network. */
export const launchBrowser = () =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

/** Where the running program is. */
export const programUrl = process.env.LEVAMEN_URL ?? 'http://127.0.0.1:4780';
