import { describe, expect, it } from 'vitest';
import { referenceCases } from '../reference/cases.ts';
import { countBottles } from './index.ts';

describe('bottles agree with the reference values', () => {
  it.each(referenceCases('bottles').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const i = c.inputs as Record<string, number>;
    expect(
      c.differences(() => {
        const { full, remainderMl } = countBottles(i['volume_l']!, i['bottle_ml']!, i['loss_l'], i['loss_pct']);
        return { full, remainder_ml: remainderMl };
      }),
    ).toEqual([]);
  });
});
