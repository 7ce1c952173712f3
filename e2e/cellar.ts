import { test as base } from '@playwright/test';
import { openCellar, startCellar } from './startCellar.ts';
import type { Cellar, ProgramCellar } from './startCellar.ts';

interface Fixtures {
  /** An empty cellar, its first start not yet answered. */
  emptyCellar: Cellar;
  demoCellar: Cellar;
  /** The demo cellar in a process of its own, for what kills it or starts it anew. */
  demoProgram: ProgramCellar;
}

interface WorkerFixtures {
  /** The demo cellar for tests that write nothing into it: one for all of them. */
  readCellar: Cellar;
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  readCellar: [
    async ({}, use) => {
      const cellar = await openCellar(true);
      await use(cellar);
      await cellar.stop();
    },
    { scope: 'worker' },
  ],
  emptyCellar: async ({}, use) => {
    const cellar = await openCellar(false);
    await use(cellar);
    await cellar.stop();
  },
  demoCellar: async ({}, use) => {
    const cellar = await openCellar(true);
    await use(cellar);
    await cellar.stop();
  },
  demoProgram: async ({}, use) => {
    const cellar = await startCellar(true);
    await use(cellar);
    await cellar.stop();
  },
});

export { expect } from '@playwright/test';
