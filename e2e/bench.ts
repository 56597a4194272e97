import { expect, type Locator, type Page } from '@playwright/test';

/** What a user does in Levamen, in the words of the screen. */
export class Bench {
  constructor(readonly page: Page) {}

  /** Starts a job and waits for its brief. */
  async newJob(name: string, supply?: string): Promise<void> {
    await this.page.goto('/jobs');
    await this.page.getByLabel('Name').fill(name);
    if (supply) {
      await this.page.getByRole('combobox', { name: 'Supply' }).click();
      await this.page.getByRole('option', { name: supply }).click();
    }
    await this.page.getByRole('button', { name: 'Start the job' }).click();
    await expect(this.page.getByLabel('Name of the job')).toHaveValue(name);
  }

  async open(name: string): Promise<void> {
    await this.page.goto('/jobs');
    await this.page.getByRole('link', { name, exact: true }).click();
    await expect(this.page.getByLabel('Name of the job')).toHaveValue(name);
    await expect(this.margin('runtime')).toBeVisible();
  }

  async goTo(
    stage: 'Brief' | 'Usage' | 'Panels' | 'Loads' | 'Backup set' | 'Sources' | 'Outage',
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

  /** Every edit has reached the server: no draft is left on this device, and the page says so. */
  async saved(): Promise<void> {
    await this.page.waitForFunction(() =>
      Object.keys(localStorage).every((key) => !key.startsWith('levamen.draft.')),
    );
    await expect(this.page.locator('lv-save-mark')).toContainText(/^\s*saved/);
  }
}
