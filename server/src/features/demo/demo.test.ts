import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Batch, BatchList, Standing } from '@hollow-bell/contract';
import { feedingFaults, feedingNow, feedingPlanOf } from '@hollow-bell/core/feed';
import { ledgerFigures } from '@hollow-bell/core/record';
import { DAY_MS, plainly } from '@hollow-bell/core/quantities';
import { asksOf, byUrgency, knotsOf, stationOf } from '@hollow-bell/core/rounds';
import { gatesOf } from '@hollow-bell/core/stabilize';
import { finishOf, whyShut } from '@hollow-bell/core/glass';
import { stallEvidence, stallVerdict, stateOf } from '@hollow-bell/core/watch';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, testApp } from '../../test/server.ts';
import { loadDemoCellar } from './load.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let batches: Batch[];
let listed: BatchList['batches'];
let standing: Standing[];
beforeAll(async () => {
  app = await testApp();
  await loadDemoCellar(app.cellar);
  listed = (await app.call<BatchList>('GET', '/batches')).body.batches;
  standing = (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body.standing;
  batches = await Promise.all(listed.map(async ({ id }) => (await app.call<Batch>('GET', `/batches/${id}`)).body));
});
afterAll(() => app.app.close());

/** What each place says of a batch at a moment. */
function said(batch: Batch, now: number) {
  const { ledger, plan } = batch;
  const practice = feedingPracticeOf(plan);
  const feeding = feedingPlanOf(ledger, practice);
  const evidence = stallEvidence(ledger, now, practice.organicCredit);
  return {
    state: stateOf(ledger, now),
    asks: asksOf(ledger, feeding, now, plan.practice).toSorted(byUrgency),
    doses: feeding === null ? [] : feedingNow(feeding, ledger, now).doses,
    faults: feedingFaults(ledger, practice.dapCapGPerL),
    verdict: evidence === null || ledger.history.bottled !== null ? null : stallVerdict(evidence),
    station: stationOf(ledger, feeding, now, plan.practice),
    knots: knotsOf(ledger, feeding, stationOf(ledger, feeding, now, plan.practice), now),
  };
}

/** As loaded, and left alone for a day, a week, a month, a season. */
const MOMENTS = [0, 1, 7, 30, 90].map((days) => NOW + days * DAY_MS);

describe('the demo’s batches, untouched', () => {
  it('stand in one state in the book, on Rounds and on their page', () => {
    for (const batch of batches) {
      const { state } = said(batch, NOW);
      expect(listed.find(({ id }) => id === batch.id)!.phase, batch.name).toBe(state.phase);
      const onRounds = standing.find(({ id }) => id === batch.id);
      if (onRounds !== undefined) expect(onRounds.phase, batch.name).toBe(state.phase);
    }
  });

  it('ask on Rounds for what their page asks for, in the same words', () => {
    for (const { id, asks } of standing) {
      const batch = batches.find((each) => each.id === id)!;
      expect(
        asks.map(({ sentence }) => plainly(sentence)),
        batch.name,
      ).toEqual(said(batch, NOW).asks.map(({ sentence }) => plainly(sentence)));
      if (asks[0] !== undefined) expect(said(batch, NOW).station, batch.name).toBe(asks[0].station);
    }
  });

  it('are fed on Feed and on Rounds alike: the dose, and its grams to the hundredth', () => {
    for (const batch of batches)
      for (const now of MOMENTS) {
        const { asks, doses } = said(batch, now);
        const due = doses.find(({ state }) => state === 'due');
        const written = asks.find(({ key }) => key === `dose ${due?.dose.number ?? 0}`)?.done;
        const asked = asks.filter(({ key, bell }) => key.startsWith('dose') && bell === 'swinging');
        expect(asked.length, `${batch.name}: no dose is asked for but the one that is due`).toBeLessThanOrEqual(due === undefined ? 0 : 1);
        for (const event of written?.events ?? [])
          if (event.kind === 'nutrient')
            expect(event.payload.massG * 100, batch.name).toBeCloseTo(Math.round(event.payload.massG * 100), 6);
        if (doses.some(({ state }) => state === 'too late')) expect(asked).toEqual([]);
      }
  });

  it('are stuck, ended, lagging or unread on Watch where their state says so, and nowhere else', () => {
    for (const batch of batches)
      for (const now of MOMENTS) {
        const { state, verdict } = said(batch, now);
        if (verdict === null || ['stabilized', 'moving again', 'glass in doubt'].includes(state.phase)) continue;
        const told = `${batch.name}: ${state.phase}, ${verdict.kind}`;
        expect(state.phase === 'stuck', told).toBe(verdict.kind === 'stuck' && finishOf(batch.ledger).state === 'moving');
        if (state.phase === 'active') expect(verdict.kind, told).toBe('moving');
        if (state.phase === 'unread') expect(verdict.kind, told).toBe('unread');
        if (state.phase === 'finished') expect(verdict.kind, told).not.toMatch(/stuck|slow|unread|lag/);
      }
  });

  it('have gates that agree with their state, and glass that only an open gate lets through', () => {
    for (const batch of batches)
      for (const now of MOMENTS) {
        const { state } = said(batch, now);
        const gates = batch.ledger.history.pitch === null || batch.ledger.history.bottled !== null ? [] : gatesOf(batch.ledger, now);
        const finished = gates.find(({ name }) => name === 'Finished');
        if (state.phase === 'finished') expect(finished?.state, batch.name).toBe('open');
        if (['active', 'stuck', 'slowing', 'lag', 'unread'].includes(state.phase)) {
          expect(finished?.state, batch.name).toBe('shut');
          expect(whyShut(batch.ledger, now), batch.name).not.toBeNull();
        }
      }
  });

  it('have rails that call nothing done that was not', () => {
    for (const batch of batches) {
      const { knots } = said(batch, NOW);
      if (batch.ledger.history.doses.length === 0) expect(knots.feed, batch.name).not.toBe('done');
      if (batch.ledger.history.guarded === null) expect(knots.stabilize, batch.name).not.toBe('done');
      if (batch.ledger.history.bottled === null) expect(knots.bottle, batch.name).not.toBe('done');
      expect(
        Object.values(knots).filter((knot) => knot === 'now'),
        batch.name,
      ).toHaveLength(1);
    }
  });

  it('were fed by no rule broken, and every figure has a range that holds it, none below nothing', () => {
    for (const batch of batches) {
      expect(said(batch, NOW).faults.map(plainly), batch.name).toEqual([]);
      for (const [name, { value, low, high }] of Object.entries(ledgerFigures(batch.events) ?? {})) {
        expect(low, `${batch.name} ${name}`).toBeLessThanOrEqual(value + 1e-9);
        expect(high, `${batch.name} ${name}`).toBeGreaterThanOrEqual(value - 1e-9);
        expect(low, `${batch.name} ${name}`).toBeGreaterThanOrEqual(-1e-9);
      }
    }
  });
});
