import { readFile } from 'node:fs/promises';
import { type Browser, expect, type Page, test } from '@playwright/test';
import { generate } from 'otplib';
import { passesAxe } from './axe';
import { Bench } from './bench';

const words = {
  ada: 'meadow harbour kettle nine',
  sol: 'windmill basalt oars four',
  vic: 'lantern gravel seven moths',
};

/** Somebody joins by the link that the owner was shown. */
async function joins(browser: Browser, link: string, name: string, password: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Join Hill Electric' })).toBeVisible();
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('New password').fill(password);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.locator('[data-who]')).toContainText(name);
  return page;
}

test('a company begins: its owner enters, invites people, and each does what he may', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  // Whatever is asked for, signing in comes first, and leads back.
  await page.goto('/equipment');
  await expect(page.getByRole('heading', { name: 'Welcome to Levamen' })).toBeVisible();
  await passesAxe(page);
  await page.getByLabel('Company').fill('Hill Electric');
  await page.getByLabel('Your name').fill('Ada');
  await page.getByLabel('Mail address').fill('ada');
  await page.getByLabel('Password').fill('password1234');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('Enter a mail address, such as')).toBeVisible();
  await page.getByLabel('Mail address').fill('ada@example.org');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('among the first that would be guessed')).toBeVisible();
  // Nothing that was entered is lost.
  await expect(page.getByLabel('Company')).toHaveValue('Hill Electric');
  await page.getByLabel('Password').fill(words.ada);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page).toHaveURL(/\/equipment$/);
  await expect(page.locator('[data-who]')).toContainText('Ada, owner at Hill Electric');

  const bench = new Bench(page);
  await bench.newJob('House on the hill');
  await bench.newJob('House in the dale');
  await bench.saved();
  await page.goto('/people');
  const invite = async (email: string, role: string): Promise<string> => {
    await page.getByRole('textbox', { name: 'Mail address', exact: true }).fill(email);
    await page.getByRole('radio', { name: role }).check();
    await page.getByRole('button', { name: 'Make the link' }).click();
    await expect(page.getByText(`Give this to ${email}`)).toBeVisible();
    return (await page.locator('[data-link]').innerText()).trim();
  };
  const sol = await joins(browser, await invite('sol@example.org', 'Surveyor'), 'Sol', words.sol);
  const link = await invite('vic@example.org', 'Viewer');
  const vic = await joins(browser, link, 'Vic', words.vic);
  await passesAxe(page);

  // A link is good once.
  const late = await (await browser.newContext()).newPage();
  await late.goto(link);
  await expect(late.getByRole('alert')).toContainText('has been used, has run out, or was never made');

  // A surveyor sees what is given to him, enters the house, and leaves the rest to a designer.
  await sol.reload();
  await expect(sol.getByText('House on the hill')).toHaveCount(0);
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Give House on the hill to surveyors' }).click();
  await page.getByRole('checkbox', { name: 'Sol' }).check();
  await passesAxe(page, false);
  await page.getByRole('button', { name: 'Give', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await sol.reload();
  await sol.getByRole('link', { name: 'House on the hill', exact: true }).click();
  const survey = new Bench(sol);
  await survey.goTo('Brief');
  const client = sol.getByRole('textbox', { name: 'Client', exact: true });
  await client.fill('Family Reed');
  await client.blur();
  await survey.saved();
  await sol.goto('/jobs');
  await expect(sol.getByRole('link', { name: 'House on the hill', exact: true })).toBeVisible();
  await expect(sol.getByText('House in the dale')).toHaveCount(0);
  await expect(sol.getByRole('button', { name: /^Delete/ })).toHaveCount(0);

  // A viewer looks.
  await vic.reload();
  await expect(vic.getByLabel('Name', { exact: true })).toHaveCount(0);
  await vic.getByRole('link', { name: 'House on the hill', exact: true }).click();
  const looked = vic.getByRole('textbox', { name: 'Client', exact: true });
  await expect(looked).toHaveValue('Family Reed');
  await looked.fill('Somebody else');
  await looked.blur();
  await expect(vic.getByText('a viewer changes nothing').first()).toBeVisible();

  // Who is removed is out at once, and what signing out leaves is the way in.
  await page.goto('/people');
  await page.getByRole('button', { name: 'Remove Vic' }).click();
  await passesAxe(page);
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByRole('row', { name: /Vic/ })).toHaveCount(0);
  await vic.goto('/jobs');
  await expect(vic.getByRole('heading', { name: 'Sign in to Levamen' })).toBeVisible();
  await passesAxe(vic);
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sign in to Levamen' })).toBeVisible();
  await page.goto('/jobs');
  await page.getByLabel('Mail address').fill('ada@example.org');
  await page.getByLabel('Password').fill('not the password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('do not belong together');
  await page.getByLabel('Password').fill(words.ada);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('House in the dale')).toBeVisible();
});

/** Signs in at a page that asks for it. */
async function signsIn(page: Page, email: string, password: string): Promise<void> {
  await page.goto('/jobs');
  await page.getByLabel('Mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test('a second factor, what is kept of somebody, how long, and another company', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  await signsIn(page, 'ada@example.org', words.ada);
  await expect(page.locator('[data-who]')).toContainText('Ada');
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add a second factor' }).click();
  await expect(page.getByAltText('The key as a picture to be read by a camera')).toBeVisible();
  await passesAxe(page);
  const secret = (await page.locator('[data-factor-key]').innerText()).trim();
  await page.getByLabel('Code it shows').fill('000000');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('This is not the code of that key now')).toBeVisible();
  await page.getByLabel('Code it shows').fill(await generate({ secret }));
  await page.getByRole('button', { name: 'Add it' }).click();
  const [recovery] = (await page.locator('[data-recovery]').innerText()).trim().split(/\s+/);

  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Everything that is kept of you, as a file' }).click();
  const file = await readFile(await (await saving).path(), 'utf8');
  expect(JSON.parse(file)).toMatchObject({ email: 'ada@example.org', role: 'owner', secondFactor: true });
  await page.getByLabel('Days a deleted job lies in the bin').fill('soon');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('Enter whole days')).toBeVisible();
  await page.getByLabel('Days a deleted job lies in the bin').fill('30');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('It is kept so from now on.')).toBeVisible();

  // Another company: its owner is a surveyor here, and changes between the two.
  await page.getByLabel('Name of the company').fill('Dale Electric');
  await page.getByLabel('Mail address of its owner').fill('sol@example.org');
  await page.getByRole('button', { name: 'Found it' }).click();
  const link = (await page.locator('[data-link]').innerText()).trim();
  const sol = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await sol.goto(link);
  await sol.getByLabel('Password').fill(words.sol);
  await sol.getByRole('button', { name: 'Join' }).click();
  await expect(sol.locator('[data-who]')).toContainText('Sol');
  const companies = sol.getByRole('combobox', { name: 'Company you work for' });
  const changeTo = async (name: string): Promise<void> => {
    await companies.click();
    await sol.getByRole('option', { name }).click();
    await expect(sol.locator('[data-who]')).toContainText(`at ${name}`);
  };
  await changeTo('Dale Electric');
  await expect(sol.getByText('No jobs yet.')).toBeVisible();
  await passesAxe(sol);
  await changeTo('Hill Electric');
  await expect(sol.getByRole('link', { name: 'House on the hill', exact: true })).toBeVisible();

  // What the server does not have is asked about at the way out.
  await sol.getByRole('link', { name: 'House on the hill', exact: true }).click();
  const survey = new Bench(sol);
  await survey.goTo('Brief');
  await sol.route('**/api/jobs/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await sol.getByRole('textbox', { name: 'Client', exact: true }).fill('Family Marsh');
  await expect(sol.locator('lv-save-mark')).toContainText('kept on this device');
  await sol.getByRole('link', { name: 'All jobs' }).click();
  await sol.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(sol.getByRole('dialog')).toContainText('edits of one job that the server does not have');
  await passesAxe(sol, false);
  await sol.getByRole('button', { name: 'Sign out, keep them here' }).click();
  await expect(sol.getByRole('heading', { name: 'Sign in to Levamen' })).toBeVisible();
  await sol.unroute('**/api/jobs/*');
  await signsIn(sol, 'sol@example.org', words.sol);
  // They go home without being asked for.
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'House on the hill', exact: true }).click();
  await new Bench(page).goTo('Brief');
  await expect(page.getByRole('textbox', { name: 'Client', exact: true })).toHaveValue('Family Marsh', {
    timeout: 60_000,
  });

  // Signing in asks for the second factor; a recovery code is good once.
  await page.goto('/people');
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signsIn(page, 'ada@example.org', words.ada);
  await page.getByLabel('Code').fill(recovery!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.locator('[data-who]')).toContainText('Ada');
  await page.goto('/people');
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signsIn(page, 'ada@example.org', words.ada);
  await page.getByLabel('Code').fill(recovery!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('This code is not good, or has been used').first()).toBeVisible();
});
