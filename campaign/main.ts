/* Does to the program what a bad year would, and counts what it bore: npm run campaign [-- --only kills --count 20 --seed 7 --from 0]. */
import { parseArgs } from 'node:util';
import { damaged } from './damaged.ts';
import { kills } from './kills.ts';
import type { Part } from './part.ts';
import { races } from './races.ts';
import { records } from './records.ts';
import { requests } from './requests.ts';
import { tables } from './tables.ts';

const PARTS: Record<string, { part: Part; count: number }> = {
  requests: { part: requests, count: 100_000 },
  records: { part: records, count: 300 },
  tables: { part: tables, count: 3000 },
  races: { part: races, count: 300 },
  damaged: { part: damaged, count: 45 },
  kills: { part: kills, count: 200 },
};

const { values } = parseArgs({
  options: {
    only: { type: 'string' },
    count: { type: 'string' },
    seed: { type: 'string', default: '1' },
    from: { type: 'string', default: '0' },
  },
});

let failed = 0;
for (const [name, { part, count }] of Object.entries(PARTS)) {
  if (values.only !== undefined && values.only !== name) continue;
  const began = Date.now();
  console.log(`\n— ${name}, seed ${values.seed}`);
  const { counts, faults } = await part({
    seed: Number(values.seed),
    count: values.count === undefined ? count : Number(values.count),
    from: Number(values.from),
    clusterUrl: process.env['HOLLOW_BELL_TEST_CLUSTER'] ?? '',
    say: (line) => console.log(`  ${line}`),
  });
  for (const [what, number] of Object.entries(counts).toSorted()) console.log(`  ${what}: ${number}`);
  for (const fault of faults.slice(0, 20)) console.log(`  FAULT ${fault}`);
  if (faults.length > 20) console.log(`  and ${faults.length - 20} more`);
  console.log(`  ${faults.length === 0 ? 'no fault' : `${faults.length} faults`}, ${((Date.now() - began) / 1000).toFixed(0)} s`);
  failed += faults.length;
}
process.exit(failed === 0 ? 0 : 1);
