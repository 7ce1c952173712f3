import { expect, it } from 'vitest';
import { referenceCases } from '../reference/cases.ts';

/** What computes a reference function from its named inputs. */
export type Runs = Record<string, (inputs: any) => unknown>; // eslint-disable-line @typescript-eslint/no-explicit-any -- they differ from function to function

/** Tests each function against all of its reference cases. */
export function agreesWithReference(runs: Runs): void {
  for (const [name, run] of Object.entries(runs))
    it.each(referenceCases(name).map((c) => [c.id, c] as const))(`${name}: %s`, (_id, c) => {
      expect(c.differences(() => run(c.inputs))).toEqual([]);
    });
}
