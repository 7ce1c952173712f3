import { describe, expect, it } from 'vitest';
import { mayBeSo } from './index.ts';

describe('a reading that the ledger does not follow', () => {
  it.each([
    [1.05, 1.0559, true],
    [1.05, 1.0561, false],
    [1.0559, 1.05, true],
    [1.0561, 1.05, false],
  ])('of %d where %d was expected may be so: %s', (sg, expectedSg, may) => {
    expect(mayBeSo({ verdict: 'unexplained', sg, expectedSg })).toBe(may);
    expect(mayBeSo({ verdict: 'follows', sg, expectedSg })).toBe(true);
  });
});
