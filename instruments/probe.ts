/** A simulated probe in a mead that is heated: posts to Hollow Bell what a real one would. “npm run probe -- --help” says how. */
import { parseArgs } from 'node:util';
import { seeded } from '@hollow-bell/core/numerics';
import { probeReadings } from '@hollow-bell/core/simulate';
import { MINUTE_MS } from '@hollow-bell/core/quantities';

const { values: given } = parseArgs({
  options: {
    url: { type: 'string', default: 'http://localhost:4173' },
    token: { type: 'string' },
    'start-c': { type: 'string', default: '20' },
    'bath-c': { type: 'string', default: '64' },
    'lag-min': { type: 'string', default: '18' },
    minutes: { type: 'string', default: '75' },
    'jumps-at-minute': { type: 'string' },
    'stops-at-minute': { type: 'string' },
    seed: { type: 'string', default: '1' },
    help: { type: 'boolean', default: false },
  },
});

if (given.help || given.token === undefined) {
  console.log(
    `npm run probe -- --token <token> [--url ${given.url}] [--start-c 20] [--bath-c 64] [--lag-min 18] [--minutes 75] [--jumps-at-minute M] [--stops-at-minute M] [--seed 1]`,
  );
  process.exit(given.help ? 0 : 2);
}

const minutes = Number(given.minutes);
const readings = probeReadings(
  {
    startAt: Date.now() - minutes * MINUTE_MS,
    startC: Number(given['start-c']),
    bathC: Number(given['bath-c']),
    lagMin: Number(given['lag-min']),
    minutes,
    ...(given['jumps-at-minute'] === undefined ? {} : { jumpsAtMin: [Number(given['jumps-at-minute'])] }),
    ...(given['stops-at-minute'] === undefined ? {} : { stopsAtMin: Number(given['stops-at-minute']) }),
  },
  seeded(Number(given.seed)),
);
const response = await fetch(`${given.url}/api/float`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', authorization: `Bearer ${given.token}` },
  body: JSON.stringify({ readings: readings.map(({ at, coreC, bathC }) => ({ at, coreC, ...(bathC === null ? {} : { bathC }) })) }),
});
if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
const { kept } = (await response.json()) as { kept: number };
console.log(`${kept} readings kept.`);
