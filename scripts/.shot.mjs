// node shot.mjs out job stage part [js-steps...]
import { launchBrowser, programUrl } from '/work/main/scripts/browser.mjs';
const [out, job, stage, part, ...steps] = process.argv.slice(2);
const b = await launchBrowser();
const ctx = await b.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
const page = await ctx.newPage();
page.on('console', (m) => {
  if (m.type() === 'error') console.log('console:', m.text().slice(0, 300));
});
page.on('pageerror', (e) => console.log('pageerror:', e.message.slice(0, 400)));
if (process.env.DARK) await page.addInitScript(() => localStorage.setItem('levamen.scheme', 'dark'));
await page.goto(programUrl + '/jobs');
await page.getByRole('link', { name: job, exact: true }).click();
await page.locator('[data-margin=runtime]').waitFor();
await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click();
await page.waitForTimeout(600);
if (part) {
  await page.getByRole('button', { name: part, exact: true }).first().click();
}
for (const s of steps) {
  await eval(`(async()=>{${s}})()`);
}
await page.waitForTimeout(Number(process.env.WAIT ?? 3500));
await page.screenshot({ path: out });
await b.close();
