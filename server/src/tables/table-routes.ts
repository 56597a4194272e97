import { xlsxType } from '@levamen/core/api';
import express, { Router } from 'express';
import { bodyOf } from '../http/body-of.js';
import { HttpProblem } from '../http/problem.js';
import { XlsxReader } from './xlsx-reader.js';

const maxBytes = 5_000_000;

/** Reads tables in formats that a browser does not read by itself. */
export function tableRoutes(): Router {
  const router = Router();
  const reader = new XlsxReader();
  const body = bodyOf(express.raw({ type: xlsxType, limit: maxBytes }), 'A workbook', maxBytes);
  router.post('/', body, async (request, response) => {
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
      throw new HttpProblem(415, 'Not a workbook', `Send an XLSX file as ${xlsxType}.`);
    }
    response.json(await reader.read(request.body));
  });
  return router;
}
