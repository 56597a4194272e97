import { type Browser, expect, type Page, test } from '@playwright/test';
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
    await page.getByRole('textbox', { name: 'Mail address' }).fill(email);
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
