import { isDeepStrictEqual } from 'node:util';
import { cellarFileShape, misfitOf, whereInWords } from '@hollow-bell/contract';
import type { BatchFile, Brought, CellarFile, Practice, Recipe, ShelfItem } from '@hollow-bell/contract';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sequelize, Transaction } from 'sequelize';

export interface Into {
  batches: {
    bring: (batch: BatchFile, transaction: Transaction) => Promise<Brought>;
    checkParcels: (batch: BatchFile, transaction: Transaction) => Promise<void>;
  };
  pictures: { bring: (batch: BatchFile, transaction: Transaction) => Promise<number> };
  shelf: {
    list: () => Promise<{ item: ShelfItem }[]>;
    importAll: (items: readonly ShelfItem[], transaction: Transaction) => Promise<number>;
  };
  recipes: {
    list: () => Promise<{ recipe: Recipe }[]>;
    put: (recipe: Recipe, afterVersion: number, transaction: Transaction) => Promise<unknown>;
  };
  practice: { read: () => Promise<Practice | null>; write: (practice: Practice, transaction: Transaction) => Promise<void> };
}

/** @throws Refusal with where it does not fit, and why */
function checked(given: unknown): CellarFile {
  const { format, version } = (typeof given === 'object' && given !== null ? given : {}) as Partial<Record<string, unknown>>;
  if (format !== 'hollow-bell-cellar') throw new Refusal('This file is no cellar of Hollow Bell’s; nothing was changed.');
  if (version !== 1) throw new Refusal('This file was written by a newer Hollow Bell than this one; nothing was changed.');
  const misfit = misfitOf(cellarFileShape, given);
  if (misfit !== null) throw new Refusal(`In its ${whereInWords(misfit.path)}: ${misfit.says} Nothing was changed.`);
  return given as CellarFile;
}

/** Reads a cellar's file into this one, by the ids: what is new comes in, what has grown grows, what differs stays as it is here. */
export function incoming(sequelize: Sequelize, { batches, pictures, shelf, recipes, practice }: Into) {
  async function bringBatch(batch: BatchFile, transaction: Transaction): Promise<Brought> {
    const brought = await batches.bring(batch, transaction);
    const added = await pictures.bring(batch, transaction);
    return brought.does === 'is here already' && added > 0 ? { ...brought, does: 'grows' } : brought;
  }

  async function bringShelf(items: readonly ShelfItem[], transaction: Transaction): Promise<Brought[]> {
    const here = new Map((await shelf.list()).map(({ item }) => [item.id, item]));
    const fresh = items.filter(({ id }) => !here.has(id));
    await shelf.importAll(fresh, transaction);
    return items.map((item) => ({ what: 'lot', name: item.name, does: doesOf(here.get(item.id), item), entries: 0 }));
  }

  async function bringRecipes(all: readonly Recipe[], transaction: Transaction): Promise<Brought[]> {
    const here = new Map((await recipes.list()).map(({ recipe }) => [recipe.id, recipe]));
    for (const recipe of all.toSorted((a, b) => (a.id < b.id ? -1 : 1)))
      if (!here.has(recipe.id)) await recipes.put(recipe, 0, transaction);
    return all.map((recipe) => ({ what: 'recipe', name: recipe.name, does: doesOf(here.get(recipe.id), recipe), entries: 0 }));
  }

  const doesOf = (here: unknown, given: unknown): Brought['does'] =>
    here === undefined ? 'comes in' : isDeepStrictEqual(here, given) ? 'is here already' : 'stays as it is here';

  return {
    /**
     * @param isTrial only says what it would do
     * @throws Refusal where anything of it cannot come in; then nothing did
     */
    async bring(given: unknown, isTrial: boolean): Promise<Brought[]> {
      const file = checked(given);
      const transaction = await sequelize.transaction();
      try {
        const brought: Brought[] = [];
        for (const batch of file.batches.toSorted((a, b) => (a.id < b.id ? -1 : 1))) brought.push(await bringBatch(batch, transaction));
        for (const batch of file.batches) await batches.checkParcels(batch, transaction);
        brought.push(...(await bringShelf(file.shelf, transaction)), ...(await bringRecipes(file.recipes, transaction)));
        if (file.practice !== null) {
          const here = await practice.read();
          if (here === null) await practice.write(file.practice, transaction);
          brought.push({ what: 'settings', name: 'the house’s settings', does: doesOf(here ?? undefined, file.practice), entries: 0 });
        }
        await (isTrial ? transaction.rollback() : transaction.commit());
        return brought;
      } catch (error) {
        await transaction.rollback();
        throw error;
      }
    },
  };
}

export type Incoming = ReturnType<typeof incoming>;
