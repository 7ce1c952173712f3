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
import type { Config } from './config.ts';
import { batchRoutes } from './features/batches/routes.ts';
import { batchStore } from './features/batches/store.ts';
import { calendarRoutes } from './features/calendar/routes.ts';
import { calendarStore } from './features/calendar/store.ts';
import { cellarRoutes } from './features/cellar/routes.ts';
import { recipeRoutes } from './features/recipes/routes.ts';
import { recipeStore } from './features/recipes/store.ts';
import { demoRoutes } from './features/demo/routes.ts';
import { floatRoutes } from './features/float/routes.ts';
import { floatStore } from './features/float/store.ts';
import { healthRoutes } from './features/health/routes.ts';
import { practiceRoutes } from './features/practice/routes.ts';
import { practiceStore } from './features/practice/store.ts';
import { roundsRoutes } from './features/rounds/routes.ts';
import { standingVessels } from './features/rounds/standing.ts';
import { shelfRoutes } from './features/shelf/routes.ts';
import { shelfStore } from './features/shelf/store.ts';
import { HttpProblem, answerError } from './http/errors.ts';
import { locality } from './http/locality.ts';

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
}

/** The whole server, not yet listening. */
export async function buildApp({ config, sequelize, demo, now, opensDemo = false }: Parts) {
  const app = Fastify({
    logger: config.logLevel === 'silent' ? false : { level: config.logLevel },
    genReqId: () => crypto.randomUUID(),
    bodyLimit: 256 * 1024,
    requestTimeout: 30_000,
    forceCloseConnections: 'idle',
  }).withTypeProvider<ZodTypeProvider>();
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.setErrorHandler(answerError);
  app.addHook('onSend', async (request, reply) => {
    void reply.header('x-request-id', request.id);
  });

  await app.register(locality);
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
      float: floatStore(database, batches, now),
      practice: practiceStore(database),
      shelf: shelfStore(database),
      calendar: calendarStore(database),
      recipes: recipeStore(database, now),
      now,
    };
    await app.register(
      async (api) => {
        await api.register(healthRoutes(database));
        await api.register(practiceRoutes(cellar.practice));
        await api.register(batchRoutes(cellar.batches, standing.one));
        await api.register(roundsRoutes(standing));
        await api.register(floatRoutes(cellar.float));
        await api.register(shelfRoutes(cellar.shelf));
        await api.register(cellarRoutes(cellar));
        await api.register(recipeRoutes(cellar.recipes));
        await api.register(calendarRoutes(cellar));
        if (isDemo) await api.register(demoRoutes(cellar));
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
    await app.register(fastifyStatic, { root: config.webRoot, wildcard: false, preCompressed: true, maxAge: '1h', immutable: false });
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
