/** A simulated float hydrometer: posts to Hollow Bell what a real one would. “npm run float -- --help” says how. */
import { parseArgs } from 'node:util';
import type { Batch } from '@hollow-bell/contract';
import { foldUntil } from '@hollow-bell/core/record';
import { seeded } from '@hollow-bell/core/numerics';
import { FLOAT_STORIES, USUAL_WRONGS, floatReadings } from '@hollow-bell/core/simulate';
import { HOUR_MS } from '@hollow-bell/core/quantities';

const { values: given } = parseArgs({
  options: {
    url: { type: 'string', default: 'http://localhost:4173' },
    batch: { type: 'string' },
    token: { type: 'string' },
    story: { type: 'string', default: 'falls' },
    'from-hour': { type: 'string', default: '6' },
    'to-hour': { type: 'string' },
    'warmed-at-hour': { type: 'string' },
    'stuck-from-hour': { type: 'string' },
    'every-minutes': { type: 'string', default: '30' },
    seed: { type: 'string', default: '1' },
    help: { type: 'boolean', default: false },
  },
});
const AT_ONCE = 400;

const story = FLOAT_STORIES.find(({ id }) => id === given.story)?.id;
if (given.help || given.batch === undefined || given.token === undefined || story === undefined) {
  console.log(
    `npm run float -- --batch <id> --token <token> [--url ${given.url}] [--story ${FLOAT_STORIES.map(({ id }) => id).join('|')}] [--from-hour 6] [--to-hour H] [--warmed-at-hour H] [--stuck-from-hour H] [--every-minutes 30] [--seed 1]`,
  );
  process.exit(given.help ? 0 : 2);
}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await fetch(`${given.url}/api${path}`, init);
  if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  return (await response.json()) as T;
}

const hourOf = (typed: string | undefined): number | null => (typed === undefined ? null : Number(typed));
const { events } = await ask<Batch>(`/batches/${given.batch}`);
const pitchedAt = events.find(({ kind }) => kind === 'yeast')?.happenedAt;
if (pitchedAt === undefined) throw new Error('No yeast is in this batch yet; a float tells nothing before the pitch.');
const readings = floatReadings(
  foldUntil(events, pitchedAt + 1),
  {
    story,
    fromH: Number(given['from-hour']),
    toH: hourOf(given['to-hour']) ?? (Date.now() - pitchedAt) / HOUR_MS,
    everyMin: Number(given['every-minutes']),
    warmedAtH: hourOf(given['warmed-at-hour']),
    wrongs: { ...USUAL_WRONGS, stuckFromH: hourOf(given['stuck-from-hour']) },
  },
  seeded(Number(given.seed)),
);
let kept = 0;
for (let i = 0; i < (readings?.length ?? 0); i += AT_ONCE) {
  const posted = (readings ?? []).slice(i, i + AT_ONCE).map(({ at, sg, tempC }) => ({ at, sg, tempC: tempC ?? undefined }));
  const answer = await ask<{ kept: number }>('/float', {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${given.token}` },
    body: JSON.stringify({ readings: posted }),
  });
  kept += answer.kept;
}
console.log(`${kept} readings kept.`);
