import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXAMPLE_PRACTICE } from '../testing/exampleBatch.ts';
import { courseOf, feedingFaults, feedingNow, feedingPlanOf, nitrogenStaircase, smellCauses } from '../feed/index.ts';
import { anyHappening, anyParcel } from '../testing/anyHappening.ts';
import { honey, water, yeast } from '../testing/examples.ts';
import { eventSentence, eventsAt, fold, ledgerFigures, massImbalanceG, parcelOf } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { reconcileMust } from '../must/index.ts';
import { HOUR_MS, Refusal } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { asksOf, calendarOf, knotsOf, stationOf } from '../rounds/index.ts';
import { gatesOf } from '../stabilize/index.ts';
import { endWorking, expectedEnd } from '../glass/index.ts';
import { readingGapH, stallEvidence, stallVerdict, stateOf } from '../watch/index.ts';
import { checkEvents, entryDoubts } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
const RULES = { dapCapGPerL: 0.96 };

/** Everything that a place, a station or a list shows of a batch. */
function showEverything(events: readonly BatchEvent[], now: number): void {
  const ledger = fold(events);
  const feeding = feedingPlanOf(ledger, EXAMPLE_PRACTICE);
  const said = [
    ...events.map(eventSentence),
    stateOf(ledger, now).sentence,
    ...asksOf(ledger, feeding, now).map(({ sentence }) => sentence),
    ...gatesOf(ledger, now).map(({ sentence }) => sentence),
    ...calendarOf(ledger, feeding, now).map(({ summary }) => summary),
    ...feedingFaults(ledger, RULES.dapCapGPerL),
  ];
  const evidence = stallEvidence(ledger, now, 1);
  if (evidence !== null) said.push(stallVerdict(evidence).sentence);
  if (feeding !== null) {
    const progress = feedingNow(feeding, ledger, now);
    said.push(...progress.changes, ...smellCauses(feeding, ledger, now).map((cause) => cause.evidence));
    nitrogenStaircase(feeding, progress, ledger, now);
  }
  knotsOf(ledger, feeding, stationOf(ledger, feeding, now), now);
  for (const sentence of said) {
    expect(plainly(sentence).length).toBeGreaterThan(0);
    for (const part of sentence) if (typeof part !== 'string') expect(Number.isFinite(part.value), plainly(sentence)).toBe(true);
  }
  const figures = ledgerFigures(events);
  for (const figure of Object.values(figures ?? {})) for (const value of Object.values(figure)) expect(Number.isFinite(value)).toBe(true);
  expectedEnd(ledger);
  endWorking(ledger);
  readingGapH(feeding === null ? null : courseOf(feeding, ledger));
  reconcileMust(events);
  expect(Math.abs(massImbalanceG(ledger.liquid))).toBeLessThan(1e-6 * (1 + ledger.liquid.pouredG));
}

describe('what is accepted', () => {
  const parcel = parcelOf(
    fold(
      eventsAt(START, [
        [0, honey(1400)],
        [0, water(4)],
        [1, yeast],
      ]),
    ),
    2,
  );

  it('can be shown everywhere', () => {
    let accepted = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat({ max: 400 }), anyHappening), { maxLength: 24 }), fc.option(anyParcel(parcel)), (acts, born) => {
        let events: BatchEvent[] = born === null ? [] : eventsAt(START, [[0, born]]);
        const now = START + 500 * HOUR_MS;
        for (const [i, [hour, content]] of acts.entries()) {
          const fresh = { ...content, id: `e${i}`, happenedAt: START + hour * HOUR_MS };
          try {
            for (const doubt of entryDoubts(fold(events), content, fresh.happenedAt, RULES)) plainly(doubt);
            checkEvents(events, [fresh], now);
          } catch (error) {
            if (!(error instanceof Refusal)) throw error;
            continue;
          }
          accepted += 1;
          events = [...events, { ...fresh, seq: events.length + 1, enteredAt: now }];
        }
        showEverything(events, now);
      }),
      { numRuns: 400, seed: 23 },
    );
    expect(accepted).toBeGreaterThan(1000);
  });

  it('is checked in one pass, however long the record and the parcel', () => {
    let folded = 0;
    const counting = (n: number): EventContent[] => Array.from({ length: n }, (_, i) => ({ kind: 'note', payload: { text: `note ${i}` } }));
    const record = eventsAt(
      START,
      counting(300).map((content, i) => [i, content] as const),
    );
    const watched = record.map(
      (event) =>
        new Proxy(event, { get: (target, key) => (key === 'payload' ? (folded++, target.payload) : target[key as keyof typeof target]) }),
    );
    const parcelOf = (n: number) => counting(n).map((content, i) => ({ ...content, id: `n${i}`, happenedAt: START + (400 + i) * HOUR_MS }));
    checkEvents(watched, parcelOf(1), START + 5000 * HOUR_MS);
    const once = folded;
    folded = 0;
    checkEvents(watched, parcelOf(1000), START + 5000 * HOUR_MS);
    expect(folded).toBe(once);
  });
});
