import cookie from '@fastify/cookie';
import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import Fastify from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type { Sequelize } from 'sequelize';
import { REQUEST_MS } from './config.ts';
import type { Config } from './config.ts';
import { backupRoutes } from './features/backups/routes.ts';
import type { BackupKeeper } from './features/backups/routes.ts';
import { batchRoutes } from './features/batches/routes.ts';
import { batchStore } from './features/batches/store.ts';
import { datedOf } from './features/calendar/dated.ts';
import { calendarRoutes } from './features/calendar/routes.ts';
import { calendarStore } from './features/calendar/store.ts';
import { cellarRoutes } from './features/cellar/routes.ts';
import { recipeRoutes } from './features/recipes/routes.ts';
import { recipeStore } from './features/recipes/store.ts';
import { gate } from './features/doors/gate.ts';
import { NO_HOUSE, doorRoutes } from './features/doors/routes.ts';
import type { House } from './features/doors/routes.ts';
import { doorStore } from './features/doors/store.ts';
import { demoRoutes } from './features/demo/routes.ts';
import { floatRoutes } from './features/float/routes.ts';
import { floatStore } from './features/float/store.ts';
import { fileRoutes } from './features/files/routes.ts';
import { incoming } from './features/files/incoming.ts';
import { outgoing } from './features/files/outgoing.ts';
import { healthRoutes } from './features/health/routes.ts';
import { pictureRoutes } from './features/pictures/routes.ts';
import { pictureStore } from './features/pictures/store.ts';
import { practiceRoutes } from './features/practice/routes.ts';
import { practiceStore } from './features/practice/store.ts';
import { roundsRoutes } from './features/rounds/routes.ts';
import { standingVessels } from './features/rounds/standing.ts';
import { shelfRoutes } from './features/shelf/routes.ts';
import { shelfStore } from './features/shelf/store.ts';
import { HttpProblem, answering } from './http/errors.ts';
import type { DatabaseState } from './http/errors.ts';
import { locality } from './http/locality.ts';

/** No request waits longer; what it was about to write may still be written, and is written once when it is sent again. */
const ANSWER_MS = 15_000;

/** What the addresses of the made-up cellar begin with. */
const DEMO = '/demo';

export interface Parts {
  config: Config;
  sequelize: Sequelize;
  /** Of the made-up cellar; none where there is none. */
  demo?: Sequelize;
  /** Who comes to an untouched cellar is led to the made-up one. */
  opensDemo?: boolean;
  now: () => number;
  /** Where the house is told to go, once somebody listens there. */
  house?: () => House;
  /** Names and addresses that the house may use. */
  houseNames?: readonly string[];
  backups?: BackupKeeper;
  databaseState?: () => DatabaseState;
}

/** The whole server, not yet listening. */
export async function buildApp(parts: Parts) {
  const { config, sequelize, demo, now, opensDemo = false, backups, databaseState, house = () => NO_HOUSE, houseNames = [] } = parts;
  const behindProxy = config.behindProxy !== undefined;
  const proxyName = config.behindProxy === undefined ? [] : [new URL(config.behindProxy).hostname];
  const app = Fastify({
    logger: config.logLevel === 'silent' ? false : { level: config.logLevel },
    genReqId: () => crypto.randomUUID(),
    bodyLimit: 256 * 1024,
    requestTimeout: REQUEST_MS,
    handlerTimeout: ANSWER_MS,
    forceCloseConnections: 'idle',
    trustProxy: config.trustProxy ?? false,
  }).withTypeProvider<ZodTypeProvider>();
  // A foreign page may send plain text without being asked first; nothing here is told in it.
  app.removeContentTypeParser('text/plain');
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.setErrorHandler(answering(databaseState));
  app.addHook('onSend', async (request, reply) => {
    void reply.header('x-request-id', request.id);
    // What a cellar answers is nobody's to keep; pages and their scripts say for themselves.
    if (!reply.hasHeader('cache-control')) void reply.header('cache-control', 'no-store');
  });

  const doors = doorStore(sequelize, now);
  await app.register(cookie);
  await app.register(locality({ houseNames: new Set([...houseNames, ...proxyName]), behindProxy }));
  await app.register(gate(doors, behindProxy));
  await app.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'self'"],
        'script-src': ["'self'"],
        'style-src': ["'self'"],
        'style-src-attr': ["'unsafe-inline'"],
        'img-src': ["'self'", 'data:'],
        'worker-src': ["'self'"],
        'object-src': ["'none'"],
        'base-uri': ["'self'"],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
      },
    },
    strictTransportSecurity: false,
  });
  await app.register(compress, { threshold: 1024 });
  await app.register(rateLimit, { max: config.requestsPerMinute, timeWindow: 60_000 });
  await app.register(swagger, {
    openapi: { info: { title: 'Hollow Bell', description: 'Batches of mead as records of events.', version: '1' } },
    transform: (route) => (route.url.startsWith(DEMO) ? { schema: { hide: true }, url: route.url } : jsonSchemaTransform(route)),
  });
  await app.register(swaggerUi, { routePrefix: '/api/docs', staticCSP: true });

  const open = async (database: Sequelize, prefix: string, isDemo: boolean) => {
    const batches = batchStore(database, now);
    const standing = standingVessels(batches, now);
    const cellar = {
      batches,
      float: floatStore(database, batches, doors, now),
      practice: practiceStore(database),
      shelf: shelfStore(database),
      calendar: calendarStore(database, now),
      recipes: recipeStore(database, now),
      pictures: pictureStore(database, now),
      doors,
      now,
    };
    await app.register(
      async (api) => {
        await api.register(healthRoutes(database, now));
        await api.register(practiceRoutes(cellar.practice));
        await api.register(batchRoutes(cellar.batches, standing.one));
        await api.register(pictureRoutes(cellar.pictures));
        await api.register(roundsRoutes(standing));
        await api.register(floatRoutes(cellar.float));
        await api.register(shelfRoutes(cellar.shelf));
        await api.register(cellarRoutes(cellar));
        await api.register(recipeRoutes(cellar.recipes));
        await api.register(calendarRoutes(cellar));
        await api.register(fileRoutes({ ...cellar, out: outgoing(database, cellar, now), into: incoming(database, cellar), datedOf }));
        if (isDemo) {
          await api.register(demoRoutes(cellar));
        } else {
          await api.register(doorRoutes(doors, house));
          await api.register(backupRoutes(backups ?? null));
        }
      },
      { prefix },
    );
    return cellar;
  };
  const cellar = await open(sequelize, '/api', false);
  const demoCellar = demo === undefined ? null : await open(demo, `${DEMO}/api`, true);
  if (opensDemo)
    app.addHook('onRequest', async (request, reply) => {
      if (request.method !== 'GET' || request.url !== '/') return;
      const isUntouched = (await cellar.practice.read()) === null && (await cellar.batches.list({})).batches.length === 0;
      if (isUntouched) await reply.redirect(`${DEMO}/`);
    });

  if (config.webRoot !== undefined) {
    await app.register(fastifyStatic, {
      root: config.webRoot,
      wildcard: false,
      preCompressed: true,
      cacheControl: false,
      // A file under assets/ changes its name with its content; the page itself names them, and must be this program's own.
      setHeaders: (reply, path) => {
        reply.setHeader('cache-control', /[\\/]assets[\\/]/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    });
  }
  app.setNotFoundHandler((request, reply) => {
    const wantsPage =
      config.webRoot !== undefined &&
      request.method === 'GET' &&
      !/^(?:\/demo)?\/api\//.test(request.url) &&
      !/\.\w+$/.test(request.url.split('?')[0] ?? '');
    if (wantsPage) return reply.header('cache-control', 'no-cache').sendFile('index.html');
    throw new HttpProblem(404, 'not_found', 'There is nothing at this address.');
  });
  app.addHook('onClose', async () => {
    await Promise.all([sequelize.close(), demo?.close()]);
  });
  return { app, cellar, demoCellar };
}
