import { startServer } from './main.ts';

const { address } = await startServer(
  {
    host: '127.0.0.1',
    port: process.env['API_PORT'] ?? '4174',
    databaseUrl: process.env['DATABASE_URL'] ?? '',
    logLevel: 'info',
    requestsPerMinute: 5000,
  },
  { demo: true },
);
console.log(`API at ${address}`);
