import { describe, expect, it } from 'vitest';
import { exampleBatch, MIXED_AT } from '@hollow-bell/core/testing/batch';
import { emptyLedger, sgAtShare } from '@hollow-bell/core/record';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { Refusal, plainly } from '@hollow-bell/core/quantities';
import { DipAsk, chemicalProduct, commonProducts, readDipLine, takeBatchName, yeastProduct } from './index.ts';
import type { DipContext } from './index.ts';

const midnight = new Date(2026, 10, 23).getTime();
const HOUR = 3_600_000;
const context: DipContext = {
  now: midnight + 14 * HOUR,
  units: 'metric',
  locale: 'en-GB',
  instruments: { calibrationC: 20, phMeter: null },
  rules: { dapCapGPerL: 0.96 },
  products: commonProducts({ yeastId: 'allround' }),
  vessels: USUAL_VESSELS,
  doseFor: () => 2,
  ledger: exampleBatch('allround'),
  plannedDose: {
    dose: 2,
    parts: [
      { product: { source: 'organic' }, massG: 1.6 },
      { product: { source: 'dap' }, massG: 0.7 },
    ],
  },
};
const read = (typed: string, over: Partial<DipContext> = {}) => readDipLine(typed, { ...context, ...over });
const first = (typed: string, over: Partial<DipContext> = {}) => read(typed, over).events[0]!;

describe('the dip line', () => {
  it.each([
    ['1.048 21c', 'reading', { sg: 1.048, tempC: 21, calibrationC: 20 }],
    ['1,048', 'reading', { sg: 1.048 }],
    ['1.048 70F', 'reading', { sg: 1.048, tempC: (38 * 5) / 9 }],
    ['ph 3.42', 'reading', { ph: 3.42 }],
    ['ph 3,42 ta 6.1', 'reading', { ph: 3.42, taGPerL: 6.1 }],
    ['so2 28', 'reading', { freeSo2MgPerL: 28 }],
    ['lees 12 mm', 'reading', { leesMm: 12 }],
    ['18.2bx', 'reading', { brix: 18.2 }],
    ['18,2 °Bx', 'reading', { brix: 18.2 }],
    ['1.050 float', 'reading', { sg: 1.05, instrument: 'float' }],
    ['1.050 density meter', 'reading', { sg: 1.05, instrument: 'density meter' }],
    ['no bubbles', 'note', { mark: 'quiet' }],
    ['vinegar', 'note', { mark: 'vinegar' }],
    ['a film on top', 'note', { mark: 'film' }],
    ['Tastes of Pears', 'note', { mark: 'tasting', text: 'Tastes of Pears' }],
    ['next time: 18 °C for ten days', 'note', { mark: 'next time', text: '18 °C for ten days' }],
    ['1.010 ph 3,4 20 c', 'reading', { sg: 1.01, ph: 3.4, tempC: 20 }],
    ['racked 4.2 l', 'rack', { volumeL: 4.2 }],
    ['racked 4200 ml', 'rack', { volumeL: 4.2 }],
    ['lost 1.5 l', 'removal', { volumeL: 1.5, reason: 'spill' }],
    ['foamed over 1.5', 'removal', { volumeL: 1.5, reason: 'foam' }],
    ['fed 1.6 g organic', 'nutrient', { source: 'organic', massG: 1.6, dose: 2 }],
    ['fed 0.5 g dap', 'nutrient', { source: 'dap', massG: 0.5 }],
    ['fed 0,5 g yeast hulls', 'nutrient', { source: 'hulls', massG: 0.5 }],
    ['fed 2 complex', 'nutrient', { source: 'complex', massG: 2 }],
    ['added 1.2 g potassium bicarbonate', 'base', { salt: 'bicarbonate', massG: 1.2 }],
    ['degassed', 'note', { mark: 'degassed' }],
    ['smells of sulfur', 'note', { mark: 'sulfur' }],
    ['refractometer 12.4', 'reading', { brix: 12.4 }],
    ['12.4% brix', 'reading', { brix: 12.4 }],
    ['lees 1/2 inch', 'reading', { leesMm: 12.7 }],
    ['lees half an inch', 'reading', { leesMm: 12.7 }],
    ['must at 24c', 'reading', { tempC: 24 }],
    ['fed half', 'nutrient', { source: 'organic', massG: 0.8 }],
    ['overflowed, about 1 l', 'removal', { volumeL: 1, reason: 'foam' }],
    ['4.2 l racked', 'rack', { volumeL: 4.2 }],
    ['racked, 4.2 l', 'rack', { volumeL: 4.2 }],
    ['transferred 4.2 l to the 5 l jug', 'rack', { volumeL: 4.2 }],
    ['back-sweetened with 100 g honey', 'honey', { massG: 100 }],
    ['diluted with 0.5 l water', 'water', { volumeL: 0.5 }],
    ['sulfited 0.4 g', 'sulfite', { massG: 0.4 }],
    ['500 g frozen blueberries', 'ingredient', { name: 'blueberries', massG: 500 }],
    ['zest of an orange', 'ingredient', { name: 'orange zest', massG: 9 }],
    ['4 black tea bags', 'ingredient', { massG: 8 }],
    ['lactic acid 5 ml', 'ingredient', { name: 'lactic acid, 80 %', massG: expect.closeTo(5.95, 6) as number }],
    ['pitched 11 g ale yeast', 'yeast', { yeastId: 'ale', massG: 11 }],
    ['pitched 5 g', 'yeast', { yeastId: 'allround', massG: 5 }],
    ['heated 63c 20 min', 'heat', { tempC: 63, minutes: 20 }],
    ['core 61.1 bath 62.4', 'core', { coreC: 61.1, bathC: 62.4 }],
    ['core 61,1', 'core', { coreC: 61.1 }],
    ['core 142f bath 145f', 'core', { coreC: expect.closeTo(61.1, 1), bathC: expect.closeTo(62.8, 1) }],
    ['cold crashed to 4c', 'cure', { cure: 'cool', toC: 4 }],
    ['moved upstairs', 'moved', { to: 'upstairs' }],
    ['put in the fridge', 'moved', { to: 'fridge' }],
    ['bottled 6 x 0,75', 'bottling', { bottles: [{ sizeMl: 750, count: 6 }] }],
    ['bottled 12 x 330', 'bottling', { bottles: [{ sizeMl: 330, count: 12 }] }],
    [
      'bottled 3 x 750 ml and 4 x 375 ml',
      'bottling',
      {
        bottles: [
          { sizeMl: 750, count: 3 },
          { sizeMl: 375, count: 4 },
        ],
      },
    ],
    ['one bottle burst', 'bottleOut', { count: 1, end: 'broken' }],
    ['bubbles stopped', 'note', { mark: 'quiet' }],
    ['one bubble every 10 seconds', 'note', { mark: 'bubbling' }],
    ['crystal clear', 'note', { mark: 'clear' }],
    ['almost clear', 'note', { mark: 'hazy' }],
    ['a thin white film', 'note', { mark: 'film' }],
    ['burnt rubber', 'note', { mark: 'rubber' }],
    ['stirred for 2 min', 'note', { mark: 'stirred' }],
    ['Tasted with the neighbours, Too dry', 'note', { text: 'Tasted with the neighbours, Too dry' }],
  ])('reads “%s”', (typed, kind, payload) => {
    const event = first(typed);
    expect(event.kind).toBe(kind);
    expect(event.payload).toMatchObject(payload);
  });

  it('weighs tablets, spoons and packets by what the maker’s own jar says', () => {
    const products = [
      chemicalProduct('potassium metabisulfite', { name: 'white tablets', lotId: 'tabs', gPerTablet: 0.44 }),
      chemicalProduct('potassium bicarbonate', { name: 'soft salt', lotId: 'salt', gPerTeaspoon: 4.5 }),
      yeastProduct('mild yeast', { yeastId: 'ale', lotId: 'mild' }, true, 11),
      ...context.products,
    ];
    const payload = (typed: string) => first(typed, { products }).payload;
    expect(payload('2 white tablets')).toEqual({ salt: 'potassium', massG: 0.88, lotId: 'tabs' });
    expect(payload('added half a tsp soft salt')).toEqual({ salt: 'bicarbonate', massG: 2.25, lotId: 'salt' });
    expect(payload('pitched one packet')).toMatchObject({ yeastId: 'ale', massG: 11, lotId: 'mild' });
    expect(payload('half a packet mild yeast')).toMatchObject({ yeastId: 'ale', massG: 5.5, lotId: 'mild' });
    expect(() => read('one packet soft salt', { products })).toThrow(DipAsk);
  });

  it('takes “fed” for the dose that is planned, every part of it', () => {
    expect(read('fed').events.map((e) => e.payload)).toEqual([
      { source: 'organic', massG: 1.6, dose: 2 },
      { source: 'dap', massG: 0.7, dose: 2 },
    ]);
    expect(() => read('fed', { plannedDose: null })).toThrow(/No dose is planned/);
  });

  it('says once what was read and what that is', () => {
    expect(plainly(read('1.046 30c').understood)).toMatch(/^Gravity 1\.046 at 30\.0 °C: 1\.04[89] at 20\.0 °C$/);
    expect(plainly(read('1.046 20c').understood)).toBe('Gravity 1.046 at 20.0 °C');
  });

  it('takes what was read and what was seen from one part', () => {
    expect(read('1.048 20c foaming').events.map(({ kind }) => kind)).toEqual(['reading', 'note']);
  });

  it.each(['white spots on top', 'moved to 18c', '2 tablets', 'fed 12/11', 'stinks', 'topped up with mead', 'pretty clear now'])(
    'asks what “%s” means',
    (typed) => {
      expect(() => read(typed)).toThrow(DipAsk);
    },
  );

  it('understands when', () => {
    expect(read('yesterday 1.062').at).toBe(context.now - 24 * HOUR);
    expect(read('yesterday 18:40 1.062').at).toBe(midnight - 24 * HOUR + 18 * HOUR + 40 * 60_000);
    expect(read('today 8:10 1.061').at).toBe(midnight + 8 * HOUR + 10 * 60_000);
    expect(read('3 h ago fed').at).toBe(context.now - 3 * HOUR);
    expect(read('2 days ago degassed').at).toBe(context.now - 48 * HOUR);
    expect(read('two days ago 8:30 fed').at).toBe(midnight - 48 * HOUR + 8.5 * HOUR);
    expect(read('2026-11-12T18:30 1.062').at).toBe(new Date(2026, 10, 12, 18, 30).getTime());
    expect(read('yesterday fed 2 g dap at 9 am').at).toBe(midnight - 24 * HOUR + 9 * HOUR);
    expect(read('just now 1.062').at).toBe(context.now);
    expect(() => read('in 2 hours 1.062')).toThrow(/not come yet/);
    expect(read('20 min ago fed').at).toBe(context.now - HOUR / 3);
    expect(read('a week ago fed').at).toBe(context.now - 168 * HOUR);
    expect(read('fed 2 g dap yesterday').at, 'a time may end the line too').toBe(context.now - 24 * HOUR);
    expect(read('sunday 9:00 1.062').at).toBe(midnight - 24 * HOUR + 9 * HOUR);
    expect(read('mon 1.062').at).toBe(midnight - 7 * 24 * HOUR + 12 * HOUR);
    expect(read('2026-11-12 18:30 1.062').at).toBe(new Date(2026, 10, 12, 18, 30).getTime());
    expect(read('18:40 1.062').at, 'has not come yet, so it was yesterday’s').toBe(midnight - 24 * HOUR + 18 * HOUR + 40 * 60_000);
  });

  it.each([
    ['1048', ['1.048']],
    ['10,48', ['1.048']],
    ['20', ['20c', '1.020']],
    ['1.050 68c', ['1.050 68f']],
    ['0.950', []],
    ['ph 34', ['ph 3.4']],
    ['1.070 and 1.066', ['1.070', '1.066']],
    ['1.070 and 1.066 yesterday 18:40', ['1.070 yesterday 18:40', '1.066 yesterday 18:40']],
    ['2 days ago lost a cup', ['2 days ago lost 0.2366 l']],
    ['fed 1.6 g', ['fed 1.6 g organic nutrient', 'fed 1.6 g diammonium phosphate']],
    ['1 gal water', ['3.7854 l water', '4.5461 l water']],
    ['honey 2', ['2 g honey', '2 kg honey']],
    ['racked 4.2 l to the attic', ['racked 4.2 l to the 5 l jug']],
    ['bottled 6', ['bottled 6 x 750 ml']],
    ['bottled 24 x 12', ['bottled 24 x 750 ml']],
    ['white stuff on top', ['film', 'mold']],
    ['3 tablets', []],
    ['blorped 3 l', ['note blorped 3 l']],
  ])('asks about “%s”, with lines to press', (typed, lines) => {
    const attempt = (): string[] => {
      try {
        return [`written: ${JSON.stringify(read(typed).events)}`];
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        return error instanceof DipAsk ? error.candidates.map(({ line }) => line) : [];
      }
    };
    const offered = attempt();
    expect(offered.filter((line) => line.startsWith('written'))).toEqual([]);
    for (const line of lines) expect(offered).toContain(line);
    if (typed === '0.950') expect(offered).toEqual([]);
  });

  it.each([
    ['1.048 200c', /200 °C cannot be/],
    ['1.048 90c', /between 0 and 60/],
    ['racked 4 kg', /does not measure volume/],
    ['tomorrow 1.070', /not come yet/],
    ['31/02 1.05', /no 31/],
    ['ph 9', /between 2.5 and 5/],
    ['34 bx', /more than this must ever held/],
    ['0.2 bx', /less than this must can show/],
    ['50 bx', /between 0 and 45/],
    ['fed 0 g dap', /nothing to write/],
    ['1.050 18bx', /One gravity at a time/],
    ['yesterday', /time without a happening/],
    ['', /Nothing is typed/],
  ])('refuses “%s” with one sentence', (typed, sentence) => {
    expect(() => read(typed)).toThrow(sentence);
  });

  it('asks whether 68 was Fahrenheit', () => {
    expect(() => read('1.048 68c')).toThrow(/Did you mean 68 °F/);
  });

  it('says what a refractometer means, with the alcohol and its doubt once there is some', () => {
    const told = (typed: string, ledger: DipContext['ledger']): string =>
      read(typed, { ledger })
        .understood.map((part) => (typeof part === 'string' ? part : part.value.toFixed(4)))
        .join('');
    expect(told('15bx', emptyLedger())).toMatch(/^Refractometer 15\.0000: 1\.0611 ± 0\.0010$/);
    expect(told('12bx', exampleBatch('allround'))).toMatch(/: 1\.0[12]\d\d ± 0\.00/);
  });

  it('asks about what cannot well be, and about nothing else', () => {
    const ledger = exampleBatch('allround', [73, { kind: 'reading', payload: { sg: 1.06 } }]);
    const doubts = (typed: string): string =>
      read(typed, { ledger, now: MIXED_AT + 97 * HOUR })
        .doubts.map((doubt) => doubt.map((part) => (typeof part === 'string' ? part : part.value.toFixed(3))).join(''))
        .join(' ');
    expect(doubts('1.072')).toMatch(/Up 12\.000 since .*unmixed honey, another instrument, or a slip/);
    expect(doubts('1.072 float')).toMatch(/the float against the hydrometer/);
    expect(doubts('1.005')).toMatch(/faster than musts fall/);
    expect(doubts('0.975')).toMatch(/last sugar gone/);
    expect(doubts('24 h ago 1.060')).toMatch(/for that minute already/);
    expect(doubts('24 h ago 1.055')).toMatch(/Both\?/);
    expect(doubts('30 h ago 1.052')).toMatch(/Is the time right/);
    expect(doubts('97 h ago 1.108')).toMatch(/before the yeast went in/);
    expect(doubts('ph 3.9')).toMatch(/spoils easily/);
    expect(doubts('ph 2.8')).toMatch(/buffers 4 and 7/);
    expect(doubts('ph 3.09')).toMatch(/this yeast labors/);
    for (const plain of ['ph 3.8', 'ph 3.1']) expect(doubts(plain), plain).toBe('');
    for (const plain of ['1.050', '1.061', '30 h ago 1.064', '20c', 'ph 3.4', 'fed 1 g dap']) expect(doubts(plain), plain).toBe('');
  });

  it('goes no further back than to the must, whatever share is asked for', () => {
    const begun = exampleBatch('allround', [30, { kind: 'reading', payload: { sg: 1.106 } }]);
    expect(sgAtShare(begun, -0.2)).toBeCloseTo(sgAtShare(begun, 0), 3);
  });

  it('goes back to the must from wherever its first readings stand', () => {
    for (let sg = 1.095; sg < 1.112; sg += 0.0003) {
      const begun = exampleBatch('allround', [30, { kind: 'reading', payload: { sg } }]);
      const start = sgAtShare(begun, -0.3);
      for (let share = -0.1; share <= 0.1; share += 0.013) expect(sgAtShare(begun, share)).toBeLessThanOrEqual(start + 1e-9);
    }
  });

  it('does not call honey that was fed a slip', () => {
    const fed = { kind: 'honey' as const, payload: { name: 'linden', massG: 500, moisture: 0.17, unfermentable: 0.05 } };
    const ledger = exampleBatch('allround', [73, { kind: 'reading', payload: { sg: 1.03 } }], [80, fed]);
    expect(read('1.048', { ledger, now: MIXED_AT + 97 * HOUR }).doubts).toEqual([]);
  });

  it('reads a bare gallon in the maker’s own system', () => {
    expect(first('racked 1 gal', { units: 'us' }).payload).toEqual({ volumeL: 3.785411784 });
    expect(first('racked 1 gal', { units: 'uk' }).payload).toEqual({ volumeL: 4.54609 });
  });
});

describe('a batch’s name at the front of the line', () => {
  const batches = [
    'Heather, strong',
    'Heather, waiting',
    'Linden B',
    'Linden B, second jug',
    'Borage, even',
    'Borage, cold',
    'Borage 2',
  ].map((name) => ({ name }));
  it.each([
    ['borage even 1.048 21c', 'Borage, even', '1.048 21c'],
    ['even 1.048', 'Borage, even', '1.048'],
    ['Heather strong 1.1', 'Heather, strong', '1.1'],
    ['linden b fed', 'Linden B', 'fed'],
    ['second jug 0.994 20c', 'Linden B, second jug', '0.994 20c'],
    ['bor cold 1.03', 'Borage, cold', '1.03'],
    ['Borage 2 1.020', 'Borage 2', '1.020'],
  ])('“%s”', (typed, name, rest) => {
    const taken = takeBatchName(typed, batches);
    expect([taken.batch.name, taken.rest]).toEqual([name, rest]);
  });

  it.each([
    ['borage 1.048 21c', ['Borage, even 1.048 21c', 'Borage, cold 1.048 21c', 'Borage 2 1.048 21c']],
    ['hether strong 1.1', ['Heather, strong 1.1']],
    ['1.05', ['Linden B 1.05']],
  ])('asks about “%s”', (typed, lines) => {
    let offered: string[] = [];
    try {
      takeBatchName(typed, batches);
    } catch (error) {
      offered = (error as DipAsk).candidates.map(({ line }) => line);
    }
    for (const line of lines) expect(offered).toContain(line);
  });

  it('needs none where there is only one', () => {
    expect(takeBatchName('1.05', [{ name: 'Borage' }]).rest).toBe('1.05');
  });
});
