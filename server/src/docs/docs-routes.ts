import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { commissioningJsonSchema } from '@levamen/core/commissioning';
import { jobJsonSchema } from '@levamen/core/job';
import { tariffJsonSchema } from '@levamen/core/tariff/details';
import express, { Router } from 'express';
import { openApiDocument } from './openapi.js';

const page = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width" />
    <title>Levamen API</title>
    <link rel="stylesheet" href="docs/assets/swagger-ui.css" />
  </head>
  <body>
    <main id="api"></main>
    <script src="docs/assets/swagger-ui-bundle.js"></script>
    <script src="docs/start.js"></script>
  </body>
</html>
`;
const start = `SwaggerUIBundle({ url: '../api/openapi.json', dom_id: '#api', validatorUrl: null });\n`;

/** Made when it is first asked for: a server that starts has more urgent things to do. */
const once = <T>(make: () => T): (() => T) => {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};

/** The API's description and a page to read it; everything ships with the program. */
export function docsRoutes(): Router {
  const router = Router({ strict: true });
  const assets = dirname(createRequire(import.meta.url).resolve('swagger-ui-dist/package.json'));
  const description = once(openApiDocument);
  const jobSchema = once(jobJsonSchema);
  const tariffSchema = once(tariffJsonSchema);
  const commissioningSchema = once(commissioningJsonSchema);
  router.get('/openapi.json', (_request, response) => {
    response.json(description());
  });
  router.get('/schema/job.json', (_request, response) => {
    response.type('application/schema+json').send(JSON.stringify(jobSchema(), null, 2));
  });
  router.get('/schema/tariffs.json', (_request, response) => {
    response.type('application/schema+json').send(JSON.stringify(tariffSchema(), null, 2));
  });
  router.get('/schema/commissioning.json', (_request, response) => {
    response.type('application/schema+json').send(JSON.stringify(commissioningSchema(), null, 2));
  });
  router.get('/docs', (_request, response) => {
    response.type('html').send(page);
  });
  router.get('/docs/start.js', (_request, response) => {
    response.type('js').send(start);
  });
  router.use('/docs/assets', express.static(assets, { index: false, maxAge: '1d' }));
  return router;
}
