/* The Cellar: every bottled batch as a shelf of its bottles, with what it cost. */
import type { BatchSummary, ShelfItem, ShelvedBatch } from '@hollow-bell/contract';
import { costOfBottled, shelfOf } from '@hollow-bell/core/cellar';
import type { Prices } from '@hollow-bell/core/cellar';
import { meadBottled, viewOf } from '@hollow-bell/core/record';
import { styleOf } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { served } from '../../http/served.ts';

interface Cellar {
  batches: { bottled: () => Promise<BatchSummary[]> };
  shelf: { list: () => Promise<{ item: ShelfItem }[]> };
  now: () => number;
}

/** What the shelf says of prices. */
function pricesOf(items: readonly ShelfItem[]): Prices {
  const perKg = items.flatMap(({ id, pricePerKg }): [string, number][] => (pricePerKg === null ? [] : [[id, pricePerKg]]));
  const each = items.flatMap(({ id, detail }): [string, number][] =>
    'priceEach' in detail && detail.priceEach !== undefined ? [[id, detail.priceEach]] : [],
  );
  return { perKg: new Map(perKg), each: new Map(each), lotsCalled: new Map(items.map(({ id, name }) => [name, id])) };
}

/** A record that cannot be reckoned has no shelf; it costs no other one. */
function shelved({ id, name, ledger, plan }: BatchSummary, prices: Prices, now: number): ShelvedBatch[] {
  try {
    const shelf = shelfOf(ledger, now);
    const mead = meadBottled(ledger);
    if (shelf === null || mead === null) return [];
    const style = styleOf(plan.must, viewOf(mead)?.abv ?? 0).name;
    return [{ id, name, style, shelf, cost: costOfBottled(ledger, plan.must, prices) }];
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return [];
  }
}

export const cellarRoutes =
  ({ batches, shelf, now }: Cellar): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({
      ...served('cellar'),
      handler: async () => {
        const [bottled, items] = await Promise.all([batches.bottled(), shelf.list()]);
        const prices = pricesOf(items.map(({ item }) => item));
        return { shelves: bottled.flatMap((batch) => shelved(batch, prices, now())) };
      },
    });
  };
