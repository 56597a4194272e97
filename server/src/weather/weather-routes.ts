import { readWeatherFile } from '@levamen/core';
import express, { Router } from 'express';
import * as z from 'zod';
import { HttpProblem, notFound } from '../http/problem.js';
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

  router.post('/', express.text({ type: 'text/*', limit: maxBytes }), async (request, response) => {
    if (typeof request.body !== 'string' || request.body === '') {
      throw new HttpProblem(415, 'Not a weather file', 'Send the text of an EPW or TMY3 file as text/csv.');
    }
    const read = readWeatherFile(request.body);
    if (!read.ok) {
      throw new HttpProblem(422, 'Not a weather file', `Line ${read.line}: ${read.message}`, [
        { path: `line ${read.line}`, message: read.message },
      ]);
    }
    response.status(201).json(await store.keep(read.year));
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const found = uuid.safeParse(id).success ? await store.read(id) : null;
    if (!found) throw notFound('year of weather');
    response.json(found);
  });

  return router;
}
