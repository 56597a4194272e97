import { readWeatherFile } from '@levamen/core/nature';
import { weatherFactsSchema } from '@levamen/core/api';
import express, { Router } from 'express';
import * as z from 'zod';
import { bodyOf } from '../http/body-of.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import type { WeatherStore } from './weather-store.js';

/** Hourly years take some 1 to 2 MB as text. */
const maxBytes = 8_000_000;
const uuid = z.uuid();

/** Years of weather read from EPW and TMY3 files, under /api/weather. */
export function weatherRoutes(store: WeatherStore): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await store.list());
  });

  const body = bodyOf(express.text({ type: 'text/*', limit: maxBytes }), 'A year of weather', maxBytes);
  router.post('/', body, async (request, response) => {
    if (typeof request.body !== 'string' || request.body === '') {
      throw new HttpProblem(415, 'Not a weather file', 'Send the text of an EPW or TMY3 file as text/csv.');
    }
    const read = readWeatherFile(request.body);
    if (!read.ok) {
      throw new HttpProblem(422, 'Not a weather file', `Line ${read.line}: ${read.message}`, [
        { path: `line ${read.line}`, message: read.message },
      ]);
    }
    const facts = weatherFactsSchema.safeParse(read.year);
    if (!facts.success) {
      const problems = facts.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
      throw new HttpProblem(
        422,
        'Not a weather file',
        `The head of the file: ${problems[0]!.path}: ${problems[0]!.message}.`,
        problems,
      );
    }
    response.status(201).json(await store.keep(read.year, whoOf(request)));
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const found = uuid.safeParse(id).success ? await store.read(id) : null;
    if (!found) throw notFound('year of weather');
    response.json(found);
  });

  router.delete('/:id', async (request, response) => {
    const { id } = request.params;
    if (!uuid.safeParse(id).success || !(await store.remove(id, whoOf(request))))
      throw notFound('year of weather');
    response.status(204).end();
  });

  return router;
}
