import { expect, type Locator, type Page } from '@playwright/test';

/** What a user does in Levamen, in the words of the screen. */
export class Bench {
  constructor(readonly page: Page) {}

  /** Starts a job and waits for its brief. */
  async newJob(name: string, supply?: string): Promise<void> {
    await this.page.goto('/jobs');
    await this.page.getByLabel('Name', { exact: true }).fill(name);
    if (supply) {
      await this.page.getByRole('combobox', { name: 'Supply' }).click();
      await this.page.getByRole('option', { name: supply }).click();
    }
    await this.page.getByRole('button', { name: 'Start the job' }).click();
    await expect(this.page.getByLabel('Name of the job')).toHaveValue(name);
  }

  /** Brings a job into sight: other tests may have made more than a page of them. */
  async find(name: string): Promise<void> {
    await this.page.goto('/jobs');
    // Rows move once more when what was searched for has come.
    const found = this.page.waitForResponse(
      (answer) => new URL(answer.url()).searchParams.get('search') === name,
    );
    await this.page.getByRole('searchbox', { name: 'Search jobs' }).fill(name);
    await found;
    await expect(this.page.getByRole('link', { name, exact: true })).toBeVisible();
  }

  async open(name: string): Promise<void> {
    await this.find(name);
    await this.page.getByRole('link', { name, exact: true }).click();
    await expect(this.page.getByLabel('Name of the job')).toHaveValue(name);
    await expect(this.margin('runtime')).toBeVisible();
  }

  async goTo(
    stage:
      | 'Brief'
      | 'Usage'
      | 'Panels'
      | 'Loads'
      | 'Backup set'
      | 'Sources'
      | 'Outage'
      | 'Options'
      | 'Daily use'
      | 'Wiring'
      | 'Placement'
      | 'Papers'
      | 'Commissioning'
      | 'Logbook',
  ): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click();
    await this.page.waitForURL(`**/${stage.split(' ')[0]!.toLowerCase()}`);
  }

  /** Adds a typical house on the stage of loads. */
  async addHouse(name: string): Promise<void> {
    await this.goTo('Loads');
    await this.page.getByRole('button', { name: 'Typical house' }).first().click();
    await this.page.getByRole('button', { name: `Add ${name}` }).click();
    await expect(this.table()).toBeVisible();
  }

  margin(key: string): Locator {
    return this.page.locator(`[data-margin=${key}]`);
  }

  table(): Locator {
    return this.page.getByRole('grid', { name: 'Loads' });
  }

  row(load: string): Locator {
    return this.table()
      .getByRole('row')
      .filter({ has: this.page.getByRole('gridcell', { name: load }) });
  }

  cell(load: string, column: string): Locator {
    return this.row(load).locator(`td.${column}`);
  }

  /** Types into a cell and takes it with Enter. */
  async type(load: string, column: string, text: string): Promise<void> {
    await this.cell(load, column).click();
    await this.page.keyboard.press('F2');
    await this.cell(load, column).locator('input').fill(text);
    await this.page.keyboard.press('Enter');
  }

  /** A place of the breaker ladder, by the number of its space. */
  space(space: number): Locator {
    return this.page.locator(`td[data-space="${space}"]`);
  }

  /** One of the pictures a stage switches between. */
  async show(part: string): Promise<void> {
    await this.page.getByRole('button', { name: part, exact: true }).click();
  }

  /** Takes an option of a list. On a busy machine what grows above may close it under the pointer: it is opened again. */
  async choose(field: string, option: RegExp): Promise<void> {
    const listed = this.page.getByRole('option', { name: option });
    await expect(async () => {
      if (!(await listed.isVisible())) await this.page.getByRole('combobox', { name: field }).click();
      await listed.click({ timeout: 5000 });
    }).toPass({ timeout: 60_000 });
    await expect(listed).toHaveCount(0);
  }

  /** One of both sides signs what was put into service. */
  async sign(side: 'installer' | 'household', who: string): Promise<void> {
    const { page } = this;
    await page.getByRole('button', { name: `Sign for the ${side}` }).click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill(who);
    await page.locator('canvas').scrollIntoViewIfNeeded();
    const field = (await page.locator('canvas').boundingBox())!;
    await page.mouse.move(field.x + 20, field.y + 30);
    await page.mouse.down();
    await page.mouse.move(field.x + 90, field.y + 60, { steps: 5 });
    await page.mouse.up();
    await page.getByRole('button', { name: 'Sign now' }).click();
    await expect(page.getByRole('img', { name: `Signature of ${who}` })).toBeVisible();
  }

  /** Every edit has reached the server: the page says so, and no draft is left on this device. */
  async saved(): Promise<void> {
    await expect(this.page.locator('lv-save-mark')).toContainText(/^\s*saved/);
    await expect.poll(() => draftsOn(this.page)).toBe(0);
  }
}

/** How many drafts this device keeps. */
export const draftsOn = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const known = await indexedDB.databases();
    if (!known.some(({ name }) => name === 'levamen')) return 0;
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('levamen');
      opening.onsuccess = () => resolve(opening.result);
      opening.onerror = () => reject(opening.error ?? new Error('IndexedDB'));
    });
    const count = await new Promise<number>((resolve, reject) => {
      const counting = database.transaction('drafts').objectStore('drafts').count();
      counting.onsuccess = () => resolve(counting.result);
      counting.onerror = () => reject(counting.error ?? new Error('IndexedDB'));
    });
    database.close();
    return count;
  });
