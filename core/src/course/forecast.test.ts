import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import { exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { forecast, forecastInputOf } from './index.ts';
import { tempAt } from './model.ts';
import type { ForecastInput } from './index.ts';

describe('a forecast', () => {
  const reading = (hour: number, sg: number): Happening => [hour, { kind: 'reading', payload: { sg, tempC: 20 } }];
  const inputAfter = (...more: Happening[]): ForecastInput => {
    const ledger = exampleBatch('allround', ...more);
    const wish = { now: ledger.history.lastEventAt!, horizonDays: 60, members: 80, seed: 3, roomTempC: 20, organicCredit: 1 };
    return forecastInputOf(ledger, wish)!;
  };
  const fed: Happening = [24, { kind: 'nutrient', payload: { source: 'dap', massG: 5 } }];
  const told = [reading(48, 1.092), reading(96, 1.06), reading(144, 1.04)];

  it('gives the same answer for the same input', async () => {
    expect(await forecast(inputAfter(fed, ...told))).toEqual(await forecast(inputAfter(fed, ...told)));
  });

  it('narrows with every reading', async () => {
    const breadthAt = async (input: ForecastInput): Promise<number> => {
      const { bands } = (await forecast(input))!;
      const band = bands.find(({ hour }) => hour >= 240)!;
      return band.high - band.low;
    };
    const breadths = [
      await breadthAt(inputAfter(fed)),
      await breadthAt(inputAfter(fed, told[0]!)),
      await breadthAt(inputAfter(fed, ...told)),
    ];
    expect(breadths[1]!).toBeLessThan(breadths[0]!);
    expect(breadths[2]!).toBeLessThan(0.6 * breadths[1]!);
  });

  it('passes near its readings, and orders its breaks and its end', async () => {
    const input = inputAfter(fed, ...told);
    const found = (await forecast(input))!;
    for (const { hour, sugarGPerL } of input.readings) {
      const band = found.bands.findLast((each) => each.hour <= hour)!;
      expect(Math.abs(band.middle - sugarGPerL)).toBeLessThan(0.1 * input.setting.sugarGPerL);
    }
    expect(found.endH!.value).toBeGreaterThan(input.nowH);
    expect(found.endH!.low).toBeLessThan(found.endH!.high);
    expect(found.stickProbability).toBeGreaterThanOrEqual(0);
    expect(found.stickProbability).toBeLessThanOrEqual(1);
  });

  it('says so where the last reading does not fit what it knows', async () => {
    expect((await forecast(inputAfter(fed, ...told)))!.missesLast).toBe(false);
    const input = inputAfter(fed, ...told);
    const last = input.readings.at(-1)!;
    const risen = { hour: last.hour + 24, sugarGPerL: last.sugarGPerL + 40, sd: 2 };
    expect((await forecast({ ...input, readings: [...input.readings, risen], nowH: risen.hour }))!.missesLast).toBe(true);
  });

  it('takes the mean of the last days for what is ahead, a nearer day for more, and forgets where the vessel was moved', () => {
    const at = (hour: number, tempC: number): Happening => [hour, { kind: 'reading', payload: { sg: 1.1 - hour / 5000, tempC } }];
    const ahead = (...temps: Happening[]): number => tempAt(inputAfter(...temps).setting.temps, 2000);
    expect(ahead(at(121, 21), at(241, 19))).toBeCloseTo((2 * 19 + 21) / 3, 9);
    expect(ahead(at(121, 21), at(241, 17))).toBe(17);
    expect(ahead(at(1, 21), at(1 + 24 * 15, 19))).toBe(19);
    expect(tempAt(inputAfter(at(121, 21), at(241, 19)).setting.temps, 240)).toBeCloseTo(19, 9);
  });

  it('lets an old reading that does not fit pull less than a new one', async () => {
    const steady = [reading(48, 1.098), reading(96, 1.085), reading(144, 1.072), reading(192, 1.06)];
    const endOf = async (...readings: Happening[]): Promise<number> => (await forecast(inputAfter(fed, ...readings)))!.endH!.value;
    const plain = await endOf(...steady);
    const [old, young] = [await endOf(reading(48, 1.09), ...steady.slice(1)), await endOf(...steady.slice(0, 3), reading(192, 1.052))];
    expect(Math.abs(old - plain)).toBeLessThan(Math.abs(young - plain));
  });

  it('ends where it is told to, and reports how far it is', async () => {
    const shares: number[] = [];
    let turns = 0;
    const stopped = await forecast(inputAfter(fed, ...told), {
      report: (share) => shares.push(share),
      mayGoOn: () => Promise.resolve(++turns < 3),
    });
    expect(stopped).toBeNull();
    expect(shares).toHaveLength(3);
    expect(shares.toSorted((a, b) => a - b)).toEqual(shares);
  });

  it('knows nothing of a must without yeast', () => {
    expect(forecastInputOf(fold([]), { now: 0, horizonDays: 10, members: 10, seed: 1, roomTempC: 20, organicCredit: 1 })).toBeNull();
  });

  it('goes by some of a float’s hundreds of readings: all the newest, and evenly of the rest', () => {
    const often = (count: number) =>
      inputAfter(...Array.from({ length: count }, (_, i) => reading(6 * (i + 1), 1.108 - 0.0004 * i))).readings;
    expect(often(40)).toHaveLength(40);
    const some = often(200).map(({ hour }) => hour);
    expect(some).toHaveLength(40);
    expect(some.slice(-15)).toEqual(Array.from({ length: 15 }, (_, i) => 6 * (186 + i) - 1));
    expect(some.toSorted((a, b) => a - b)).toEqual(some);
    const gaps = some.slice(1, 25).map((hour, i) => hour - some[i]!);
    expect(Math.max(...gaps)).toBeLessThan(2 * Math.min(...gaps));
  });

  it('names no end of what has hardly begun, nor of what still moves where its reckoning ends', async () => {
    const cold = inputAfter([2, { kind: 'reading', payload: { tempC: 1 } }]);
    expect((await forecast(cold))!.endH).toBeNull();
    const input = inputAfter(fed, ...told);
    const short = { ...input, setting: { ...input.setting, horizonH: input.nowH + 72 } };
    expect((await forecast(short))!.endH).toBeNull();
    expect((await forecast(input))!.endH!.value).toBeLessThan(input.setting.horizonH);
  });
});
