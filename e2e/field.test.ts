import { expect, test, type Page } from '@playwright/test';
import { passesAxe } from './axe';
import { Bench, draftsOn } from './bench';
import { addPhoto, loadedPhoto } from './picture';

test.use({ serviceWorkers: 'allow' });

const device = (page: Page) => page.getByRole('region', { name: 'On this device' });
const notes = (page: Page) => page.getByRole('textbox', { name: 'What was said and seen' });
const place = (page: Page) => page.getByRole('textbox', { name: 'Place' });

/** Takes a job along: everything it needs is on this device then. */
async function takeAlong(page: Page, name: string): Promise<void> {
  await new Bench(page).find(name);
  await page.getByRole('button', { name: `Take ${name} along on this device` }).click();
  await expect(device(page)).toContainText('taken along', { timeout: 90_000 });
}

interface Saved {
  readonly document: {
    readonly site: { readonly place: string };
    readonly brief: { readonly notes: string };
  };
}

test('a job that was taken along is opened, surveyed and photographed without a network, and comes home by itself', async ({
  page,
  context,
  browser,
}) => {
  test.setTimeout(240_000);
  const bench = new Bench(page);
  await bench.newJob('Cellar without a network');
  await bench.addHouse('Essentials only');
  await bench.saved();
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await takeAlong(page, 'Cellar without a network');
  await passesAxe(page);

  await context.setOffline(true);
  await page.goto('/jobs');
  await device(page).getByRole('link', { name: 'Cellar without a network' }).click();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Cellar without a network');
  await bench.goTo('Brief');
  await notes(page).fill('Water stands in the corner');
  await expect(page.locator('lv-save-mark')).toContainText('kept on this device');
  // Stages that were never looked at open, too, and studies run in the page.
  for (const stage of ['Panels', 'Sources', 'Wiring', 'Outage'] as const) await bench.goTo(stage);
  await expect(bench.margin('runtime')).toContainText('h', { timeout: 60_000 });
  await bench.goTo('Loads');
  await bench.cell('Refrigerator', 'name').click();
  const load = 'Refrigerator';
  await addPhoto(page, load, 'Nameplate');
  expect(await loadedPhoto(page, 'Nameplate')).toEqual([2048, 1365]);
  // The lid is closed and opened again.
  await page.reload();
  await bench.goTo('Brief');
  await expect(notes(page)).toHaveValue('Water stands in the corner');
  await page.goto('/jobs');
  await expect(device(page)).toContainText(/Edits (wait for the server|are on their way); 1 photo waits/);

  // Meanwhile somebody at a desk goes on.
  const desk = await (await browser.newContext()).newPage();
  await desk.goto(`/jobs/${id}/brief`);
  await place(desk).fill('Mill Lane');
  await place(desk).blur();
  await new Bench(desk).saved();

  await context.setOffline(false);
  await expect(device(page)).not.toContainText(/wait|on their way/, { timeout: 90_000 });
  await expect.poll(() => draftsOn(page)).toBe(0);
  const { document } = (await (await desk.request.get(`/api/jobs/${id}`)).json()) as Saved;
  expect([document.site.place, document.brief.notes]).toEqual(['Mill Lane', 'Water stands in the corner']);
  await desk.goto(`/jobs/${id}/photos`);
  expect(await loadedPhoto(desk, 'Nameplate')).toEqual([2048, 1365]);

  // What the desk did is here, too, without a network.
  await page
    .getByRole('button', { name: 'Bring Cellar without a network on this device up to date' })
    .click();
  await expect(device(page)).toContainText('taken along');
  await expect(device(page)).not.toContainText('being fetched');
  await context.setOffline(true);
  await page.goto(`/jobs/${id}/brief`);
  await expect(place(page)).toHaveValue('Mill Lane');
  await context.setOffline(false);
  await page.goto('/jobs');
  await page.getByRole('button', { name: /^Leave Cellar without a network here/ }).click();
  await expect(device(page)).toHaveCount(0);
  await desk.context().close();
});

test('who else is in a job is said, and what he saves arrives without disturbing whoever types', async ({
  browser,
}) => {
  // Both are on the network all the time.
  const first = await browser.newContext({ serviceWorkers: 'block' });
  const second = await browser.newContext({ serviceWorkers: 'block' });
  const [ada, ben] = [await first.newPage(), await second.newPage()];
  const bench = new Bench(ada);
  await bench.newJob('Two at one job');
  await bench.saved();
  await ben.goto('/jobs');
  await ben.getByLabel('Your name').fill('Ben');
  await ben.getByLabel('Your name').blur();
  await ben.goto(ada.url());
  await expect(ada.locator('lv-who-else')).toContainText('also here: Ben');
  await expect(ben.locator('lv-who-else')).toContainText('also here');
  await place(ben).fill('Mill Lane');
  await place(ben).blur();
  await expect(place(ada)).toHaveValue('Mill Lane');
  await expect(ada.getByText('Ben').last()).toBeVisible();

  // He is in the middle of a word while something arrives: it waits until he pauses.
  await notes(ada).click();
  const typing = notes(ada).pressSequentially('Three cellars, one of them dry', { delay: 60 });
  await place(ben).fill('Mill Lane 4');
  await place(ben).blur();
  await typing;
  await expect(notes(ada)).toHaveValue('Three cellars, one of them dry');
  await expect(notes(ada)).toBeFocused();
  await expect(place(ada)).toHaveValue('Mill Lane 4');
  await bench.saved();
  await expect(notes(ben)).toHaveValue('Three cellars, one of them dry');
  await second.close();
  await expect(ada.locator('lv-who-else')).not.toContainText('also here');
  await first.close();
});

test('a page that was opened before the program changed says so, and takes the new one over with what was typed', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.newJob('Older page');
  await bench.saved();
  await page.route('**/api/**', async (route) => {
    const answer = await route.fetch();
    await route.fulfill({
      response: answer,
      headers: { ...answer.headers(), 'x-levamen-build': 'main-NEWER123.js' },
    });
  });
  await notes(page).fill('Typed into the older page');
  await expect(page.getByText('The program has changed since this page was opened')).toBeVisible();
  await page.unroute('**/api/**');
  await page.getByRole('button', { name: 'Take the new one over' }).click();
  await expect(page.getByText('The program has changed since this page was opened')).toHaveCount(0);
  await expect(notes(page)).toHaveValue('Typed into the older page');
});
