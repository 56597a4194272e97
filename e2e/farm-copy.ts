import { expect, type Page } from '@playwright/test';
import { Bench } from './bench';

export const farmhouse = 'Farmhouse above the harbour';

/** The farmhouse as it is saved. */
export async function farmDocument(page: Page): Promise<Record<string, unknown>> {
  const query = `/api/jobs?search=${encodeURIComponent(farmhouse)}`;
  const { rows } = (await (await page.request.get(query)).json()) as { rows: { id: string; name: string }[] };
  const farm = rows.find((job) => job.name === farmhouse)!;
  const { document } = (await (await page.request.get(`/api/jobs/${farm.id}`)).json()) as {
    document: Record<string, unknown>;
  };
  return document;
}

/** A copy of the farmhouse under another name, open on a stage. */
export async function copyOfTheFarm(page: Page, name: string, stage: string): Promise<Bench> {
  const bench = new Bench(page);
  const document = await farmDocument(page);
  const made = await page.request.post('/api/jobs', { data: { document: { ...document, name } } });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/jobs/${id}/${stage}`);
  await expect(bench.margin('runtime')).toBeVisible();
  return bench;
}
