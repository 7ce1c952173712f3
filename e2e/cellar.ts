import { test as base } from '@playwright/test';
import { startCellar } from './startCellar.ts';
import type { Cellar } from './startCellar.ts';

interface Fixtures {
  /** An empty cellar, its first start not yet answered. */
  emptyCellar: Cellar;
  demoCellar: Cellar;
}

interface WorkerFixtures {
  /** The demo cellar for tests that write nothing into it: one for all of them. */
  readCellar: Cellar;
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  readCellar: [
    async ({}, use) => {
      const cellar = await startCellar(true);
      await use(cellar);
      await cellar.stop();
    },
    { scope: 'worker' },
  ],
  emptyCellar: async ({}, use) => {
    const cellar = await startCellar(false);
    await use(cellar);
    await cellar.stop();
  },
  demoCellar: async ({}, use) => {
    const cellar = await startCellar(true);
    await use(cellar);
    await cellar.stop();
  },
});

export { expect } from '@playwright/test';
