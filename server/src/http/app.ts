import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { buildHeader, type Health } from '@levamen/core/api';
import compression from 'compression';
import express, { type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type pg from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DataSource } from 'typeorm';
import type { Events } from '../events/events.js';
import { docsRoutes } from '../docs/docs-routes.js';
import { givenRoutes } from '../papers/given-routes.js';
import { makeMetrics } from '../health/metrics.js';
import { readinessOf } from '../health/readiness.js';
import type { WorkQueue } from '../queue/work-queue.js';
import { paperRoutes } from '../papers/paper-routes.js';
import { drawingRoutes } from '../drawings/drawing-routes.js';
import type { Post } from '../mail/post.js';
import { monitorRoutes } from '../monitor/monitor-routes.js';
import { keptSwitches } from '../monitor/monitor-switches.js';
import { accessOf } from '../people/access.js';
import { automaticAccess, guard, sessionAccess } from '../people/guard.js';
import { PeopleStore } from '../people/people-store.js';
import { sessionRoutes } from '../people/session-routes.js';
import { Sessions } from '../people/sessions.js';
import { SignInLimits } from '../people/sign-in-limits.js';
import { actingFor } from '../workspaces/fence.js';
import { workspaceRoutes } from '../workspaces/workspace-routes.js';
import { tableRoutes } from '../tables/table-routes.js';
import { builtPage } from './built-page.js';
import { diskRoom } from './disk-room.js';
import { errorHandler } from './error-handler.js';
import { hostGuard, isFromHere, type Reach, thisMachineOnly } from './host-guard.js';
import { refuseDeepJson } from './bounded-json.js';
import { jsonBody } from './json-body.js';
import { usualRequestsPerMinute } from './limits.js';
import { loggedError } from './log-error.js';
import { sameText } from './same-text.js';
import { refuseOlderPage } from './older-page.js';
import { HttpProblem, notFound, sendProblem } from './problem.js';
import { RequestCounts } from './request-counts.js';
import { refuseNul } from './refuse-nul.js';

export interface AppParts {
  readonly source: DataSource;
  readonly logger: Logger;
  /** Folder of the built page; undefined serves the API only. */
  readonly webRoot?: string | undefined;
  /** Whose jobs the database holds; the page says so. */
  readonly jobs?: Health['jobs'];
  readonly requestsPerMinute?: number;
  /** Under which names it is reached, and through whom. */
  readonly reach?: Reach;
  /** How people sign in; null = nobody does, and whoever asks on this machine is the owner: the demo. */
  readonly accounts?: {
    /** Signs the cookies of sessions. */
    readonly secret: string;
    /** Cookies go over TLS only. */
    readonly secure: boolean;
  } | null;
  /** Sends letters; null = links are shown to whoever makes them. */
  readonly post?: Post | null;
  /** Connections for what belongs to no company. */
  readonly ground: pg.Pool;
  /** What servers of the database tell each other. */
  readonly events: Events;
  /** Takes heavy work. */
  readonly queue: Pick<WorkQueue, 'add' | 'warm'>;
  /** Who shows it may read measurements from elsewhere; null = they are read on this machine only. */
  readonly metricsToken?: string | null;
  /** Backups are made by themselves here. */
  readonly backups?: boolean;
  /** A folder on the disk that holds the database; null = it is kept elsewhere. */
  readonly room?: string | null;
  /** Ends what goes on by itself: the server is told to stop. */
  readonly stopping?: AbortSignal;
}

/** The HTTP application: API under /api, the page everywhere else. */
export function makeApp({
  source,
  logger,
  webRoot,
  jobs = 'own',
  requestsPerMinute = usualRequestsPerMinute,
  accounts = null,
  reach = thisMachineOnly,
  stopping = new AbortController().signal,
  post = null,
  queue,
  ground,
  events,
  backups = false,
  metricsToken = null,
  room = null,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  // Answers of the API are kept by nobody; files have tags of their own.
  app.disable('etag');
  const metrics = makeMetrics({ source, ground });
  app.use(metrics.measured);
  app.use(
    pinoHttp({
      logger,
      // Whoever asks is told under what the log knows it.
      genReqId: (_request, response) => {
        const id = randomUUID();
        response.setHeader('X-Request-Id', id);
        return id;
      },
      // Serializers get the error itself, not what pino makes of it: that would hold the parameters.
      wrapSerializers: false,
      customLogLevel: (_request, response, error) =>
        error || response.statusCode >= 500 ? 'error' : response.statusCode >= 400 ? 'warn' : 'debug',
      // Bodies and headers hold what people typed; the log needs neither.
      serializers: {
        req: ({ id, method, originalUrl }: { id: string; method: string; originalUrl: string }) => ({
          id,
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
        directives: {
          upgradeInsecureRequests: null,
          // A photo that waits to be sent is shown from this device.
          'img-src': ["'self'", 'data:', 'blob:'],
          // The page adopts the sheets its scripts make, and sets single styles by script.
          'style-src': ["'self'"],
          'font-src': ["'self'"],
        },
      },
    }),
  );
  // Whose headers are believed: the sender's address, the name and the scheme that were asked for.
  if (reach.proxies.length > 0) app.set('trust proxy', [...reach.proxies]);
  app.use(hostGuard(reach));
  app.use(compression());
  app.get('/metrics', (request, response, next) => {
    const isKnown =
      metricsToken !== null && sameText(request.get('Authorization') ?? '', `Bearer ${metricsToken}`);
    if (!isKnown && !isFromHere(request)) throw notFound('page');
    return metrics.shown(request, response, next);
  });

  const api = express.Router();
  api.use(
    rateLimit({
      windowMs: 60_000,
      limit: requestsPerMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      store: new RequestCounts(ground),
      handler: (_request, response) => {
        sendProblem(response, new HttpProblem(429, 'Too many requests', 'Wait a minute and try again.'));
      },
    }),
  );
  const build = builtPage(webRoot);
  api.use((_request, response, next) => {
    // A page that was opened before the program changed learns that by it.
    response.set({ 'Cache-Control': 'no-store', [buildHeader]: build });
    next();
  });
  api.use(refuseOlderPage);
  api.use(refuseNul);
  api.get('/health', async (_request, response) => {
    await source.query('SELECT 1');
    const health: Health = { status: 'ok', uptimeS: Math.round(process.uptime()), jobs };
    response.json(health);
  });
  api.get('/ready', async (_request, response) => {
    const readiness = await readinessOf({ source, events, stopping });
    response.status(readiness.ready ? 200 : 503).json(readiness);
  });
  // Who comes with a link needs no account.
  api.use('/given', givenRoutes(source));
  const people = new PeopleStore(source);
  const sessions = new Sessions(source, ground);
  if (accounts === null) api.use(automaticAccess);
  else {
    if (accounts.secure)
      api.use((request, _response, next) => {
        // Without it the browser would be given no cookie, and nobody would learn why.
        if (!request.secure && request.path.startsWith('/session') && request.method !== 'GET')
          throw new HttpProblem(
            403,
            'Not over TLS',
            'Signing in asks for TLS. Behind a proxy: let it send X-Forwarded-Proto, and name its address in LEVAMEN_PROXY.',
          );
        next();
      });
    api.use(sessions.handler(accounts.secret, accounts.secure));
    api.use(sessionAccess(people, sessions));
  }
  api.use(
    '/session',
    express.json({ limit: 10_000, strict: false, verify: refuseDeepJson }),
    sessionRoutes({ source, people, sessions, limits: new SignInLimits(source), post, logger }),
  );
  // What follows acts for the workspace of who asks, in the program and in the database.
  api.use((request, _response, next) => {
    const access = accessOf(request);
    actingFor({ workspaceId: access?.workspaceId ?? null, accountId: access?.accountId ?? null }, next);
  });
  api.use(guard(people));
  api.use(diskRoom(room));
  api.use('/monitor', jsonBody(), monitorRoutes(keptSwitches(ground)));
  api.use('/tables', tableRoutes());
  api.use('/drawings', jsonBody(), drawingRoutes());
  api.use('/papers', jsonBody(), paperRoutes());
  api.use(docsRoutes());
  const workspaces = new Map<string, express.Router>();
  api.use((request, response, next) => {
    const { workspaceId } = accessOf(request)!;
    let routes = workspaces.get(workspaceId);
    if (!routes) {
      routes = workspaceRoutes({
        source,
        workspaceId,
        people,
        sessions,
        events,
        stopping,
        post,
        queue,
        backups,
        failed: (error) => logger.error({ err: error }, 'what goes on beside requests'),
      });
      workspaces.set(workspaceId, routes);
    }
    routes(request, response, next);
  });
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
