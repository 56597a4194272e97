import { equipmentChangeSchema, xlsxType } from '@levamen/core/api';
import { sampleLine } from '@levamen/core/equipment';
import { formulaLike, itemJsonSchema, itemTable } from '@levamen/core/equipment/details';
import { priceTable } from '@levamen/core/offer';
import express, { type Response, Router } from 'express';
import papaparse from 'papaparse';
import { refuseDeepJson } from '../http/bounded-json.js';
import { bodyOf } from '../http/body-of.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import type { EquipmentStore } from './equipment-store.js';

/** Five thousand items with every field are some 10 MB of JSON. */
const maxBytes = 24_000_000;

const revisionOf = (text: unknown): number | undefined => {
  if (text === undefined) return undefined;
  if (typeof text !== 'string' || !/^\d{1,9}$/.test(text))
    throw new HttpProblem(400, 'Bad request', 'A revision is a whole number.');
  return Number(text);
};

const notAtRevision = (): HttpProblem => notFound('revision of the equipment');

/** The company's equipment, under /api/equipment. Stands before the usual parser of JSON: a list is larger than a job. */
export function equipmentRoutes(store: EquipmentStore): Router {
  const router = Router();
  const listAt = async (revision: unknown) => {
    const list = await store.read(revisionOf(revision));
    if (!list) throw notAtRevision();
    return list;
  };

  router.get('/', async (request, response) => {
    const text = await store.text(revisionOf(request.query['revision']));
    if (text === null) throw notAtRevision();
    response.type('application/json').send(text);
  });

  const json = express.json({ limit: maxBytes, strict: false, verify: refuseDeepJson });
  router.put('/', bodyOf(json, 'A change of the equipment', maxBytes), async (request, response) => {
    const change = parseBody(equipmentChangeSchema, request.body);
    response.json(await store.change(change, whoOf(request)));
  });

  router.get('/revisions', async (_request, response) => {
    response.json(await store.revisions());
  });
  router.get('/items/:id/history', async (request, response) => {
    response.json(await store.history(request.params.id));
  });
  router.get('/schema.json', (_request, response) => {
    response.json(itemJsonSchema());
  });

  router.get<{ format: string }>('/list.:format', async (request, response) => {
    const { format } = request.params;
    const list = await listAt(request.query['revision']);
    const { items, revision } = list;
    const shown = request.query['sample'] === 'yes' ? [...sampleLine, ...items] : items;
    const name = `equipment-${revision}`;
    if (format === 'json') {
      response
        .attachment(`${name}.levamen-equipment.json`)
        .type('application/json')
        .send(`${JSON.stringify({ format: 'levamen-equipment', version: 1, items: shown }, null, 2)}\n`);
    } else await sendTable(response, name, format, itemTable(shown), 'Equipment');
  });

  router.get<{ format: string }>('/prices.:format', async (request, response) => {
    const { format } = request.params;
    const { items, revision, book } = await listAt(request.query['revision']);
    if (!book) throw notFound('price');
    const rows = priceTable(book, [...sampleLine, ...items]);
    await sendTable(response, `prices-${revision}`, format, rows, 'Prices');
  });
  return router;
}

/** A table as a file; 404 where the format is none of a table. */
async function sendTable(
  response: Response,
  name: string,
  format: string,
  rows: readonly (readonly string[])[],
  sheet: string,
): Promise<void> {
  if (format === 'csv') {
    const text = papaparse.unparse(
      rows.map((row) => [...row]),
      { escapeFormulae: formulaLike },
    );
    response.attachment(`${name}.csv`).type('text/csv; charset=utf-8').send(`\uFEFF${text}\r\n`);
  } else if (format === 'xlsx') {
    const { tableXlsx } = await import('../tables/table-xlsx.js');
    response
      .attachment(`${name}.xlsx`)
      .type(xlsxType)
      .send(await tableXlsx(sheet, rows));
  } else throw notFound('format of a table');
}
