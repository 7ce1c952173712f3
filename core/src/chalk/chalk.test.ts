import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOf, plannedHoney } from '../must/index.ts';
import { plainly } from '../quantities/index.ts';
import { fold } from '../record/index.ts';
import { STEP_H, balanceG, gravityOf, passes, sugarGPerL, warmthLaw } from './law.ts';
import { hiddenOf } from './scene.ts';
import {
  DEPTHS,
  LESSONS,
  TROUBLES,
  changesOf,
  deedsAsText,
  deedsFromText,
  drillOf,
  judgeRun,
  rehearse,
  rehearsedOf,
  runScene,
} from './index.ts';
import type { Deed, Run, Scene, TroubleId } from './index.ts';

const DAY = 24;
const PLAIN: Scene = {
  seed: 5,
  honey: 'linden',
  honeyG: 2000,
  waterL: 6.2,
  yeastId: 'allround',
  pitchG: 5,
  vessel: { kind: 'carboy', name: '10 L carboy', capacityL: 10 },
  roomC: 20,
  trouble: null,
  depth: 1,
};
const FED: Deed[] = [24, 48, 72].flatMap((hour): Deed[] => [
  { hour, does: 'degas' },
  { hour, does: 'feed', amount: 8 },
]);
const withMore = (...more: Deed[]): Deed[] => [...FED, ...more].sort((a, b) => a.hour - b.hour);
const at = (run: Run, day: number): number => run.sg[day * DAY]!;
const dryOn = ({ sugarGPerL: sugar }: Run): number => Math.round(sugar.findIndex((left) => left < 8) / DAY);

describe('the law of the chalk floor', () => {
  it('makes nothing out of nothing: sugar becomes alcohol, gas and yeast, gram for gram', () => {
    fc.assert(
      fc.property(
        fc.record({
          seed: fc.integer({ min: 1, max: 9999 }),
          roomC: fc.integer({ min: 8, max: 34 }),
          trouble: fc.constantFrom(null, ...TROUBLES.map(({ id }) => id)),
          honeyG: fc.integer({ min: 500, max: 3500 }),
        }),
        (drawn) => {
          const hidden = hiddenOf({ ...PLAIN, ...drawn });
          const before = balanceG(hidden.must);
          hidden.must.nitrogen += 200;
          for (let hour = 0; hour < 30 * DAY; hour += STEP_H) passes(hidden.must, hidden.setting, hidden.roomC(hour), hidden.tauH);
          expect(balanceG(hidden.must)).toBeCloseTo(before, 6);
          expect(hidden.must.ethanolG / (hidden.must.co2G + hidden.must.goneCo2G + 1e-9)).toBeLessThan(1.1);
          for (const mass of ['glucoseG', 'fructoseG', 'ethanolG', 'co2G', 'living', 'nitrogen'] as const)
            expect(hidden.must[mass]).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('works fastest a little above a packet’s range, and not at all far outside of it', () => {
    const range = { low: 15, high: 25 };
    expect(warmthLaw(29, range)).toBeCloseTo(1, 6);
    expect(warmthLaw(7, range)).toBe(0);
    expect(warmthLaw(7.5, range)).toBeGreaterThan(0);
    expect(warmthLaw(37, range)).toBe(0);
    expect(warmthLaw(15, range)).toBeLessThan(warmthLaw(20, range));
  });
});

describe('a run', () => {
  it('goes as fermentations go: lag, speed, warmth and end within what is plausible', () => {
    const run = runScene(PLAIN, FED, 60 * DAY);
    expect(at(run, 0)).toBeCloseTo(1.083, 2);
    expect(at(run, 0) - at(run, 1)).toBeLessThan(0.004);
    expect(dryOn(run)).toBeGreaterThan(14);
    expect(dryOn(run)).toBeLessThan(45);
    expect(at(run, 60)).toBeGreaterThan(0.98);
    expect(at(run, 60)).toBeLessThan(1);
    expect(Math.max(...run.tempC)).toBeLessThan(24);
    expect(run.must.ph).toBeGreaterThan(2.9);
    expect(run.must.ph).toBeLessThan(3.7);
    const days = Array.from({ length: 59 }, (_, day) => at(run, day) - at(run, day + 1));
    expect(Math.max(...days)).toBeLessThan(0.014);
    expect(Math.min(...days)).toBeGreaterThan(-1e-4);
  });

  it.each([
    ['colder', { roomC: 16 }, 1],
    ['warmer', { roomC: 24 }, -1],
  ])('%s it takes longer or shorter', (_how, change, sign) => {
    const here = dryOn(runScene(PLAIN, FED, 120 * DAY));
    expect(Math.sign(dryOn(runScene({ ...PLAIN, ...change }, FED, 120 * DAY)) - here)).toBe(sign);
  });

  it('stays hungry where it is not fed, and smells', () => {
    const run = runScene(PLAIN, [], 60 * DAY);
    expect(at(run, 60)).toBeGreaterThan(1.03);
    expect(run.stops.map(({ what }) => what)).toContain('smells');
  });

  it('is the same again, and no later deed changes what was read before', () => {
    const reads = [2, 5, 9].map((day): Deed => ({ hour: day * DAY, does: 'read' }));
    const told = (deeds: Deed[]): string[] => runScene(PLAIN, deeds, 20 * DAY).found.map((found) => plainly(found.told));
    const first = told(reads);
    expect(told(reads)).toEqual(first);
    expect(told([...reads, { hour: 12 * DAY, does: 'rouse' }, { hour: 13 * DAY, does: 'read' }]).slice(0, 3)).toEqual(first);
  });

  it('tells its learner no more than was read, within what an instrument scatters', () => {
    const run = runScene(PLAIN, withMore({ hour: 8 * DAY, does: 'read' }), 30 * DAY);
    const { readings } = fold(run.book).history;
    expect(readings).toHaveLength(1);
    expect(Math.abs(readings[0]!.sg - at(run, 8))).toBeLessThan(0.004);
  });

  it('is written down as a maker does, so that the cellar judges it by its record', () => {
    const deeds = deedsFromText('30w22 40o 50j10 60b3 70s 80k 90u50 91v200 92y100 93h');
    const { book } = runScene(PLAIN, deeds, 5 * DAY);
    const kinds = ['cure', 'cure', 'ingredient', 'base', 'yeast', 'rack', 'sulfite', 'sorbate', 'honey', 'heat'];
    expect(book.slice(3).map(({ kind }) => kind)).toEqual(kinds);
    const { liquid, history } = fold(book);
    const { must } = runScene(PLAIN, deeds.slice(0, 7), 91);
    expect(liquid.so2Mg / must.volumeL).toBeCloseTo(50, 0);
    expect(history.heats).toHaveLength(1);
  });

  it('erupts where powder meets gas, and loses nothing where it was let out first', () => {
    const full: Scene = { ...PLAIN, honeyG: 3300, waterL: 7.2, yeastId: 'strong' };
    const hasty = runScene(
      full,
      [
        { hour: 96, does: 'feed', amount: 20 },
        { hour: 24, does: 'feed', amount: 10 },
      ].sort((a, b) => a.hour - b.hour) as Deed[],
      10 * DAY,
    );
    const slow = runScene(full, deedsFromText('24d 24f10 95.5d 95.75d 96d 96f20'), 10 * DAY);
    expect(hasty.stops.some(({ what, hour }) => what === 'erupts' && hour === 96)).toBe(true);
    expect(slow.lostL).toBeLessThan(hasty.lostL);
  });

  it('bursts what was closed on sugar, and nothing that had ended', () => {
    const early = runScene(PLAIN, withMore({ hour: 8 * DAY, does: 'bottle' }), 60 * DAY);
    expect(early.bottles!.burst).toBe(early.bottles!.filled);
    expect(early.stops.map(({ what }) => what)).toContain('bursts');
    const done = runScene(PLAIN, withMore({ hour: 70 * DAY, does: 'bottle' }), 200 * DAY);
    expect(done.bottles!.burst).toBe(0);
    const primed = runScene(PLAIN, withMore({ hour: 70 * DAY, does: 'prime', amount: 7 }), 200 * DAY);
    expect(primed.bottles!.burst).toBe(0);
    expect(primed.must.co2G / primed.must.volumeL).toBeGreaterThan(done.must.co2G / done.must.volumeL);
  });

  it('keeps sweetened mead still behind sulfite and sorbate, and not behind nothing', () => {
    const dry = 60 * DAY;
    const sweet = (...guard: Deed[]): Run =>
      runScene(
        { ...PLAIN, honeyG: 1600 },
        withMore(...guard, { hour: dry + 72, does: 'honey', amount: 300 }, { hour: dry + 73, does: 'bottle' }),
        365 * DAY,
      );
    expect(sweet().bottles!.burst).toBeGreaterThan(0);
    const guarded = sweet(
      { hour: dry, does: 'rack' },
      { hour: dry + 1, does: 'sulfite', amount: 100 },
      { hour: dry + 24, does: 'sorbate', amount: 250 },
    );
    expect(guarded.bottles!.burst).toBe(0);
    expect(sweet({ hour: dry, does: 'heat' }).bottles!.burst).toBe(0);
  });
});

describe('a trouble', () => {
  const well = runScene(PLAIN, FED, 60 * DAY);
  const SHOWN_OTHERWISE = new Set<TroubleId>(['slipped scale', 'leaking lid', 'too strong', 'unmixed']);

  it.each(TROUBLES.filter(({ id }) => !SHOWN_OTHERWISE.has(id)).map(({ id }) => id))('%s slows a must that would have run', (trouble) => {
    const run = runScene({ ...PLAIN, trouble }, FED, 60 * DAY);
    expect(Math.max(...[10, 20, 30].map((day) => at(run, day) - at(well, day)))).toBeGreaterThan(0.008);
  });

  it.each(TROUBLES.map(({ id }) => id))('%s is fainter the deeper one goes', (trouble) => {
    const off = DEPTHS.map((depth) => {
      const run = runScene({ ...PLAIN, trouble, depth }, withMore({ hour: 1, does: 'read' }, { hour: 20 * DAY, does: 'read' }), 40 * DAY);
      return Math.abs(at(run, 20) - at(well, 20)) + 0.5 * Math.abs(run.sg[0]! - well.sg[0]!);
    });
    expect(off[2]!).toBeLessThanOrEqual(off[0]! + 0.002);
  });

  it.each([
    ['shutter', '240w22 264o'],
    ['sour', '120b8'],
    ['lemons', '200b10'],
    ['no air', '200s'],
    ['old packet', '100s'],
  ] as [TroubleId, string][])('%s is cured by what cures it', (trouble, cure) => {
    const left = runScene({ ...PLAIN, trouble }, FED, 60 * DAY);
    const cured = runScene({ ...PLAIN, trouble }, withMore(...deedsFromText(cure)), 60 * DAY);
    expect(at(cured, 60)).toBeLessThan(at(left, 60) - 0.01);
  });

  it('of the hydrometer shows in water, and nowhere else', () => {
    const zero = (trouble: TroubleId | null): string =>
      plainly(runScene({ ...PLAIN, trouble }, [{ hour: 10, does: 'zero' }], DAY).found[0]!.told);
    expect(zero(null)).toMatch(/1\.000|0\.999|1\.001/);
    expect(zero('slipped scale')).toMatch(/1\.01\d/);
    expect(runScene({ ...PLAIN, trouble: 'slipped scale' }, FED, 30 * DAY).sg).toEqual(runScene(PLAIN, FED, 30 * DAY).sg);
  });

  it('of the lid leaves the airlock silent over a gravity that falls', () => {
    const [found] = runScene({ ...PLAIN, trouble: 'leaking lid' }, withMore({ hour: 6 * DAY, does: 'look' }), 8 * DAY).found.slice(-1);
    expect(found!.senses!.bubbleS).toBeNull();
    expect(runScene(PLAIN, withMore({ hour: 6 * DAY, does: 'look' }), 8 * DAY).found.at(-1)!.senses!.bubbleS).not.toBeNull();
  });
});

describe('a verdict', () => {
  it('says the worst first: what burst, and why the cellar would have refused it', () => {
    const verdict = judgeRun(PLAIN, withMore({ hour: 8 * DAY, does: 'bottle' }), 60 * DAY, null);
    expect(verdict.judged[0]!.weight).toBe('stop');
    expect(plainly(verdict.judged[0]!.sentence)).toMatch(/The cellar offers no bottle here/);
    expect(verdict.trouble).toBeNull();
  });

  it('knows whether the trouble was named, and shows the course without it', () => {
    const scene: Scene = { ...PLAIN, trouble: 'shutter' };
    expect(judgeRun(scene, FED, 40 * DAY, 'shutter').trouble!.isRight).toBe(true);
    const wrong = judgeRun(scene, FED, 40 * DAY, 'sour');
    expect(wrong.trouble!.isRight).toBe(false);
    expect(at(wrong.withoutTrouble!, 40)).toBeLessThan(at(wrong.true, 40));
    expect(wrong.judged.map(({ id }) => id)).toContain('stuck');
  });

  it('tells an end that is sweet from a must that stands', () => {
    const idOf = (scene: Scene): string[] => judgeRun(scene, FED, 90 * DAY, null).judged.map(({ id }) => id);
    expect(idOf({ ...PLAIN, honeyG: 3000 })).toContain('sweet end');
    expect(idOf({ ...PLAIN, honeyG: 3000, trouble: 'shutter' })).toContain('stuck');
  });

  it('tells grams that were fed too late', () => {
    const late = judgeRun(PLAIN, withMore({ hour: 25 * DAY, does: 'feed', amount: 6 }), 60 * DAY, null);
    expect(late.judged.map(({ id }) => id)).toContain('fed late');
    expect(judgeRun(PLAIN, FED, 60 * DAY, null).judged.map(({ id }) => id)).not.toContain('fed late');
  });
});

describe('a run’s address', () => {
  it('holds every deed, and gives them back', () => {
    const deeds = deedsFromText('24d 24f6 48.25r 72w21.5 90s');
    expect(deedsFromText(deedsAsText(deeds))).toEqual(deeds);
    expect(deedsAsText(deeds)).toBe('24d 24f6 48.25r 72w21.5 90s');
  });

  it.each(['24q', 'f6', '24f', '24f0.4', '24f61', '24f-6', '24w36'])('%s is refused', (text) => {
    expect(() => deedsFromText(text)).toThrow(/deed of a run|too little or too much/);
  });
  it.each(['24f0.5', '24f60', '24w35'])('%s is taken', (text) => {
    expect(deedsFromText(text)).toHaveLength(1);
  });

  it('draws every trouble in time, each by its seed', () => {
    const drawn = Array.from({ length: 300 }, (_, seed) => drillOf(seed + 1, 1).trouble);
    expect(new Set(drawn).size).toBe(TROUBLES.length);
    expect(drillOf(77, 2)).toEqual(drillOf(77, 2));
  });

  it('of every lesson begins with a must that can be read', () => {
    for (const { scene, endsAtH } of LESSONS) {
      const run = runScene(scene, [{ hour: 1, does: 'read' }], Math.min(endsAtH, 20 * DAY));
      expect(fold(run.book).history.readings).toHaveLength(1);
      expect(sugarGPerL(run.must)).toBeGreaterThanOrEqual(0);
      expect(gravityOf(run.must)).toBeGreaterThan(0.97);
    }
  });
});

describe('a rehearsal', () => {
  const plan = planOf([plannedHoney('linden', 1900)], 6.3, {
    vessel: PLAIN.vessel,
    roomTempC: 16,
  });
  const rehearsed = { ...rehearsedOf(plan, null, []), feeds: [24, 48, 72].map((hour) => ({ hour, nitrogenMgPerL: 70 })) };

  it('takes the plan’s sugar, and its rooms from what was read here', () => {
    expect(rehearsed.honeyG).toBeCloseTo(1900, 0);
    expect(rehearsed.waterL).toBeCloseTo(6.3, 1);
    expect(rehearsed.roomC).toEqual({ low: 13.5, high: 18.5 });
    expect(rehearsedOf(plan, null, [15, 16, 17]).roomC).toEqual({ low: 13.5, high: 18.5 });
    expect(rehearsedOf(plan, null, [15, 16, 17, 18]).roomC).toEqual({ low: 15, high: 18 });
  });

  it('is the same for the same seed, and sooner at its end where it is warmer', () => {
    const planned = rehearse(rehearsed, 3, 30);
    expect(rehearse(rehearsed, 3, 30).days).toEqual(planned.days);
    const warm = changesOf(plan).find(({ id }) => id === 'warm')!;
    const warmer = rehearse(warm.rehearsed(rehearsed), 3, 30);
    expect(warmer.days!.value).toBeLessThan(planned.days!.value);
    expect(warm.carried(plan).roomTempC).toBe(20);
  });

  it('offers no stronger yeast than the strongest, and changes nothing else of a plan', () => {
    expect(changesOf({ yeastId: 'strong' }).map(({ id }) => id)).not.toContain('stronger');
    const stronger = changesOf(plan).find(({ id }) => id === 'stronger')!;
    expect(stronger.carried(plan)).toEqual({ ...plan, yeastId: 'strong' });
    expect(plan.yeastId).not.toBe('strong');
  });
});
