import { chromium } from '@playwright/test';
export const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
export const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
export const base = 'http://127.0.0.1:4780';
export const id = '6f1d5c1e-58a4-4c1b-9d0a-0d5c7f3a1e01',
  vin = '6f1d5c1e-58a4-4c1b-9d0a-0d5c7f3a1e02';
p.on('console', (m) => {
  if (m.type() === 'error') console.log('console:', m.text());
});
p.on('pageerror', (e) => console.log('pageerror:', e.message));
