import express from 'express';
import { refuseDeepJson } from './bounded-json.js';
import { maxBodyBytes } from './limits.js';

/** The usual parser of JSON: as large as a job may be, and no deeper than one is. */
export const jsonBody = () =>
  express.json({
    limit: maxBodyBytes,
    strict: false,
    type: ['application/json', 'application/*+json'],
    verify: refuseDeepJson,
  });
