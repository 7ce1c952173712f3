import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { dryMust, momentOfDay, recordOf } from '../testing/glassCases.ts';
import type { CaseEvent } from '../testing/glassCases.ts';
import { finishOf, judge } from './index.ts';
import type { Judgement, Way } from './index.ts';

const PITCHED = momentOfDay(0);
const dayOf = (at: number): number => (at - PITCHED) / DAY_MS;
const enough = { so2G: 2, sorbateG: 3 };

/** What a maker does on a way, step by step. */
const deedsOf = ({ steps, sg }: Way, lowC: number): [number, EventContent][] =>
  steps.flatMap(({ deed, at }): [number, EventContent][] => {
    const day = dayOf(at);
    if (deed === 'stays') return [[day, { kind: 'staysHere', payload: {} }]];
    if (deed === 'warm') return [[day, { kind: 'reading', payload: { tempC: lowC + 1 } }]];
    if (deed === 'powders')
      return [
        [day, { kind: 'sulfite', payload: { salt: 'potassium', massG: enough.so2G } }],
        [day, { kind: 'sorbate', payload: { massG: enough.sorbateG } }],
      ];
    return [[day, { kind: 'reading', payload: { sg, tempC: 20, calibrationC: 20 } }]];
  });

/** Any mead that was pitched a month ago, with anything in it. */
const anyEvent: fc.Arbitrary<CaseEvent> = fc
  .record({
    day: fc.double({ min: 21, max: 60, noNaN: true }),
    what: fc.oneof(
      {
        weight: 10,
        arbitrary: fc.constantFrom(0.9914, 0.9914, 0.992, 0.9945, 0.998, 1.006).map((sg) => ({ what: 'reading', sg, tempC: 20 })),
      },
      fc.constantFrom(60, 250).map((massG) => ({ what: 'honey', massG })),
      fc.constant({ what: 'water', volumeL: 0.4 }),
      fc.constantFrom(0.05, 0.8).map((massG) => ({ what: 'sulfite', massG })),
      fc.constantFrom(0.05, 1.5).map((massG) => ({ what: 'sorbate', massG })),
      fc.constantFrom(4, 20).map((toC) => ({ what: 'move', toC })),
      fc.constantFrom('bubbling', 'foam').map((of) => ({ what: 'sign', of })),
      fc.constant({ what: 'yeast', massG: 2 }),
      fc.constant({ what: 'heat', coreC: 66, minutes: 20 }),
      fc.constant({ what: 'erythritol', massG: 80 }),
      fc.constant({ what: 'staysHere' }),
    ),
  })
  .map(({ day, what }) => ({ day, ...what }));
const anyMead = fc.array(anyEvent, { maxLength: 14 }).map((events) => dryMust([10, 1.04], [20, 1.01], ...events));
const NOW = 61;
const judgedAfter = (of: ReturnType<typeof dryMust>, at: number, more: [number, EventContent][] = []): Judgement =>
  judge(fold(recordOf(of, more)), at);

describe('what opens glass', () => {
  it('is named with its day, or why nothing does; and what is named opens it when it is done', () => {
    fc.assert(
      fc.property(anyMead, (of) => {
        const now = momentOfDay(NOW);
        const { verdict, ways, never, missing } = judgedAfter(of, now);
        if (verdict !== 'shut') return;
        expect(ways.length > 0 || never !== null).toBe(true);
        if (ways.length > 0) expect(plainly(missing!)).toMatch(/\d{4}-\d\d-\d\d/);
        for (const way of ways) {
          const { verdict: then } = judgedAfter(of, way.at, deedsOf(way, 15));
          expect(then, JSON.stringify({ way, of: of.events.slice(3) })).not.toBe('shut');
        }
      }),
      { numRuns: 250, seed: 11 },
    );
  });

  it('comes no later by a reading that agrees', () => {
    fc.assert(
      fc.property(anyMead, fc.double({ min: 0.5, max: 6, noNaN: true }), (of, days) => {
        const now = momentOfDay(NOW);
        const before = judgedAfter(of, now);
        const [way] = before.ways;
        if (before.verdict !== 'shut' || way === undefined || way.id !== 'read' || way.steps.length !== 1) return;
        const at = now + days * DAY_MS;
        const agreeing: [number, EventContent][] = [[dayOf(at), { kind: 'reading', payload: { sg: way.sg, tempC: 20, calibrationC: 20 } }]];
        const after = judgedAfter(of, at, agreeing);
        const opensAt = after.verdict === 'shut' ? (after.ways[0]?.at ?? Number.POSITIVE_INFINITY) : at;
        expect(opensAt).toBeLessThanOrEqual(Math.max(way.at, at) + HOUR_MS);
      }),
      { numRuns: 200, seed: 12 },
    );
  });

  it('is one answer: what is called finished and what is told of glass go by one level', () => {
    fc.assert(
      fc.property(anyMead, (of) => {
        const ledger = fold(recordOf(of));
        const { verdict, ground } = judge(ledger, momentOfDay(NOW));
        if (verdict === 'shut' || ground === null || ground.row === 'guarded') return;
        expect(finishOf(ledger).level?.last.at).toBe('level' in ground ? ground.level.last.at : undefined);
      }),
      { numRuns: 150, seed: 13 },
    );
  });
});
