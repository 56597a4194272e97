import { join } from 'node:path';
import type { Health } from '@levamen/core/api';
import compression from 'compression';
import express, { type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DataSource } from 'typeorm';
import { equipmentRoutes } from '../equipment/equipment-routes.js';
import { EquipmentStore } from '../equipment/equipment-store.js';
import { docsRoutes } from '../docs/docs-routes.js';
import { paperRoutes } from '../papers/paper-routes.js';
import { drawingRoutes } from '../drawings/drawing-routes.js';
import { jobRoutes } from '../jobs/job-routes.js';
import { monitorRoutes } from '../monitor/monitor-routes.js';
import { logRoutes } from '../log/log-routes.js';
import { PhotoStore } from '../photos/photo-store.js';
import { ReadingStore } from '../readings/reading-store.js';
import { JobStore } from '../jobs/job-store.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { companyRulesRoutes } from '../rules/company-rules-routes.js';
import { CompanyRulesStore } from '../rules/company-rules-store.js';
import { tableRoutes } from '../tables/table-routes.js';
import { weatherRoutes } from '../weather/weather-routes.js';
import { WeatherStore } from '../weather/weather-store.js';
import { errorHandler } from './error-handler.js';
import { hostGuard } from './host-guard.js';
import { refuseDeepJson } from './bounded-json.js';
import { maxBodyBytes, usualRequestsPerMinute } from './limits.js';
import { loggedError } from './log-error.js';
import { HttpProblem, notFound, sendProblem } from './problem.js';

interface AppParts {
  readonly source: DataSource;
  readonly logger: Logger;
  /** Folder of the built page; undefined serves the API only. */
  readonly webRoot?: string | undefined;
  /** Whose jobs the database holds; the page says so. */
  readonly jobs?: Health['jobs'];
  readonly requestsPerMinute?: number;
}

/** The HTTP application: API under /api, the page everywhere else. */
export function makeApp({
  source,
  logger,
  webRoot,
  jobs = 'own',
  requestsPerMinute = usualRequestsPerMinute,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger,
      // Serializers get the error itself, not what pino makes of it: that would hold the parameters.
      wrapSerializers: false,
      customLogLevel: (_request, response, error) =>
        error || response.statusCode >= 500 ? 'error' : response.statusCode >= 400 ? 'warn' : 'debug',
      // Bodies and headers hold what people typed; the log needs neither.
      serializers: {
        req: ({ method, originalUrl }: { method: string; originalUrl: string }) => ({
          method,
          url: originalUrl,
        }),
        res: (response: { statusCode: number }) => ({ statusCode: response.statusCode }),
        err: loggedError,
      },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        // A photo that waits to be sent is shown from this device.
        directives: { upgradeInsecureRequests: null, 'img-src': ["'self'", 'data:', 'blob:'] },
      },
    }),
  );
  app.use(hostGuard);
  app.use(compression());

  const api = express.Router();
  api.use(
    rateLimit({
      windowMs: 60_000,
      limit: requestsPerMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, response) => {
        sendProblem(response, new HttpProblem(429, 'Too many requests', 'Wait a minute and try again.'));
      },
    }),
  );
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  const equipment = new EquipmentStore(source, defaultWorkspaceId);
  api.use('/equipment', equipmentRoutes(equipment));
  api.use(
    express.json({
      limit: maxBodyBytes,
      strict: false,
      type: ['application/json', 'application/*+json'],
      verify: refuseDeepJson,
    }),
  );
  api.get('/health', async (_request, response) => {
    await source.query('SELECT 1');
    const health: Health = { status: 'ok', uptimeS: Math.round(process.uptime()), jobs };
    response.json(health);
  });
  const rules = new CompanyRulesStore(source, defaultWorkspaceId);
  api.use('/rules', companyRulesRoutes(rules));
  const store = new JobStore(source, defaultWorkspaceId);
  api.use(
    '/jobs',
    jobRoutes(
      store,
      new ReadingStore(source, defaultWorkspaceId),
      new PhotoStore(source, defaultWorkspaceId),
      async (job) => rules.begunWith(await equipment.begunWith(job)),
    ),
  );
  api.get('/storage', async (_request, response) => {
    response.json(await store.storage());
  });
  api.use('/log', logRoutes(source, defaultWorkspaceId));
  api.use('/monitor', monitorRoutes());
  api.use('/tables', tableRoutes());
  api.use('/drawings', drawingRoutes());
  api.use('/papers', paperRoutes());
  api.use('/weather', weatherRoutes(new WeatherStore(source, defaultWorkspaceId)));
  api.use(docsRoutes());
  api.use(() => {
    throw notFound('address in the API');
  });
  app.use('/api', api);

  if (webRoot !== undefined) {
    app.use(
      expressStaticGzip(webRoot, {
        index: 'index.html',
        // The build leaves a Brotli copy beside each file.
        enableBrotli: true,
        orderPreference: ['br'],
        serveStatic: {
          setHeaders: (response, path) => {
            // Files with a hash in their name never change.
            const hashed = /-[A-Z0-9]{8}\.\w+(\.br)?$/.test(path);
            response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
          },
        },
      }),
    );
    app.get('/{*path}', (request, response, next) => {
      if (request.accepts('html') && !/\.\w+$/.test(request.path)) {
        response.set('Cache-Control', 'no-cache').sendFile(join(webRoot, 'index.html'));
      } else next();
    });
  }
  app.use(() => {
    throw notFound('page');
  });
  app.use(errorHandler);
  return app;
}
