import { xlsxType } from '@levamen/core';
import express, { Router } from 'express';
import { HttpProblem } from '../http/problem.js';

const maxBytes = 5_000_000;

/** Reads tables in formats that a browser does not read by itself. */
export function tableRoutes(): Router {
  const router = Router();
  router.post('/', express.raw({ type: xlsxType, limit: maxBytes }), async (request, response) => {
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
      throw new HttpProblem(415, 'Not a workbook', `Send an XLSX file as ${xlsxType}.`);
    }
    // Large, and seldom needed: fetched when the first workbook comes.
    const { readXlsx } = await import('./read-xlsx.js');
    try {
      response.json(await readXlsx(request.body));
    } catch {
      throw new HttpProblem(
        422,
        'Not a workbook',
        'The file is not an XLSX workbook, or it is damaged. Save it again as XLSX or CSV.',
      );
    }
  });
  return router;
}
