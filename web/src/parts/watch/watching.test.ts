import type { Course } from '@hollow-bell/core/course';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { eventsAt } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { CAUSES } from '@hollow-bell/core/watch';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { useBatch } from '../../stores/batch.ts';
import DescentTable from './DescentTable.vue';
import ForecastPanel from './ForecastPanel.vue';
import StallClinic from './StallClinic.vue';
import { DAY_MS } from '@hollow-bell/core/quantities';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replace(/\s+/g, ' ').trim();

beforeEach(() => {
  setActivePinia(createPinia());
});

describe('the forecast', () => {
  const now = new Date(2026, 10, 23, 12).getTime();
  const after = (days: number): number => now + (days - 2) * DAY_MS;
  const endAt = { value: after(20), low: after(12), high: after(40) };
  /** A third of the sugar gone on the first day, half of it on the fourth (third to eighth). */
  const line = [
    { at: after(0), low: 0, middle: 0, high: 0 },
    { at: after(1), low: 0.2, middle: 1 / 3, high: 0.35 },
    { at: after(3), low: 0.3, middle: 0.45, high: 0.5 },
    { at: after(4), low: 0.4, middle: 0.5, high: 0.6 },
    { at: after(8), low: 0.5, middle: 0.7, high: 0.8 },
  ];
  const course = ({
    ends = endAt,
    sticks = 0.07,
    misses = false,
  }: { ends?: Course['endAt']; sticks?: number; misses?: boolean } = {}): Course =>
    ({
      input: { members: 32 },
      pitchedAt: after(0),
      line,
      endAt: ends,
      forecast: { stickProbability: sticks, missesLast: misses },
    }) as unknown as Course;
  const panel = (shown = course(), whatIf = 'planned', shareGone = 0.2) =>
    mount(ForecastPanel, {
      props: {
        course: shown,
        endSugarGPerL: { value: 5, low: 0, high: 22 },
        progress: null,
        now,
        members: 500,
        shareGone,
        modelValue: whatIf as 'planned',
      },
    });

  it('names days and no hours, and leaves out what is behind', () => {
    const told = plain(panel().text());
    // The third break at hour 24 is a day ago; half of it at 96 is two days ahead; the end at day 20 is in 18.
    expect(told).not.toContain('A third of the sugar gone');
    expect(told).toContain('Half of itWednesday (tomorrow to Sunday)');
    expect(told).toContain('It endsin 18 days (10 to 38)');
    expect(told).toContain('5.0 g/L (0.0 g/L to 22 g/L)');
    expect(told).toContain('It sticks before that7 %');
    expect(told).not.toMatch(/\d{2}:\d{2}/);
  });

  it('says that it has ended where that lies behind, and how far off what is not named by its day', () => {
    const told = plain(panel(course({ ends: { value: after(1), low: after(0.5), high: after(2) } })).text());
    expect(told).toContain('It endsby now, as far as this can tell');
    expect(told).not.toContain('It sticks');
    expect(plain(panel(course({ ends: null })).text())).toContain('It endsnot within 6 days, as far as is reckoned');
    const open = course({ ends: { ...endAt, high: Number.POSITIVE_INFINITY } });
    expect(plain(panel(open).text())).toContain('It endsin 18 days (10 at the soonest)');
    expect(plain(panel().text())).toContain(
      'The band is 500 fermentations that its readings leave possible, the figures are 32, the same on every station',
    );
    const far = { ...course(), line: [...line.slice(0, 4), { ...line[4]!, at: after(14) }] };
    expect(plain(panel(far).text())).toMatch(/Half of itWednesday \(\w+ to \d+ days from now\)/);
  });

  it('leaves out a break that the readings have passed already', () => {
    expect(plain(panel(course(), 'planned', 0.55).text())).not.toContain('Half of it');
  });

  it('says what a question changes against the plan, in days and in how often it sticks', () => {
    const planned = course({ ends: { ...endAt, value: after(27.1) }, sticks: 0.12 });
    const told = (asked: Course) =>
      plain(
        mount(ForecastPanel, { props: { ...panel(asked, 'warmer').props(), planned } as never })
          .find('[data-test=difference]')
          .text(),
      );
    expect(told(course())).toBe('Against the plan, dotted: It ends about 7 days sooner, and sticks in 7 % instead of 12 %.');
    expect(told(course({ ends: { ...endAt, value: after(27) }, sticks: 0.12 }))).toContain('on about the same day, and sticks as likely');
    expect(panel().find('[data-test=difference]').exists()).toBe(false);
  });

  it('warns where the last reading does not fit', () => {
    expect(plain(panel(course({ misses: true })).text())).toContain('trust the readings');
    expect(plain(panel().text())).not.toContain('trust the readings');
  });

  it('is asked what if, and warns of feeding past half', async () => {
    const shown = panel(course(), 'fed now', 0.6);
    expect(plain(shown.text())).toContain('feeding helps no more');
    await shown
      .findAll('button')
      .find((button) => plain(button.text()) === '4 °C warmer')!
      .trigger('click');
    expect(shown.emitted('update:modelValue')).toEqual([['warmer']]);
  });
});

describe('the clinic', () => {
  const sg = (gravity: number, tempC: number): EventContent => ({ kind: 'reading', payload: { sg: gravity, tempC } });
  function stuckInTheCold(...more: [number, EventContent][]) {
    const start = Date.now() - 20 * DAY_MS;
    const rows: [number, EventContent][] = [
      [0, { kind: 'honey', payload: { name: 'linden', massG: 1800, moisture: 0.172, unfermentable: 0.032 } }],
      [0, { kind: 'water', payload: { volumeL: 4.5 } }],
      [1, { kind: 'yeast', payload: { yeastId: 'strong', name: 'strong', massG: 4 } }],
      [25, { kind: 'nutrient', payload: { source: 'dap', massG: 4 } }],
      [26, { kind: 'nutrient', payload: { source: 'organic', massG: 30 } }],
      [5 * 24, sg(1.07, 16)],
      [10 * 24, sg(1.052, 12)],
      [15 * 24, sg(1.052, 11)],
      [19.5 * 24, sg(1.052, 11)],
      ...more,
    ];
    const store = useBatch();
    store.batch = {
      id: 'b',
      name: 'Linden',
      float: [],
      probe: [],
      createdAt: start,
      lastSeq: rows.length,
      planVersion: 1,
      plan: { must: planOf([plannedHoney('linden', 1800)], 4.5), practice: DEFAULT_PRACTICE },
      events: eventsAt(start, rows),
    };
    return mount(StallClinic);
  }

  it('says stuck, blames the cold first, and begins with warmth', () => {
    const clinic = stuckInTheCold();
    expect(clinic.attributes('data-kind')).toBe('stuck');
    const causes = clinic.findAll('[data-cause]');
    expect(causes).toHaveLength(3);
    expect(causes[0]!.attributes('data-cause')).toBe('cold');
    expect(plain(causes[0]!.text())).toContain('strongly for it11 °C, and this yeast wants 18 °C to 26 °C.');
    expect(clinic.find('[data-cure]').attributes('data-cure')).toBe('warm');
    expect(plain(clinic.text())).toContain('Dry yeast thrown into a stuck mead dies.');
  });

  it('waits for what is being tried, and offers nothing of it twice', () => {
    const bronze = (clinic: ReturnType<typeof stuckInTheCold>) =>
      clinic.findAll('[data-cure] .el-button--primary').map((button) => plain(button.text()));
    expect(bronze(stuckInTheCold())).toEqual(['Warming it to 22 °C']);
    const warming = stuckInTheCold([19.6 * 24, { kind: 'cure', payload: { cure: 'warm', toC: 22 } }]);
    expect(plain(warming.find('[data-test=under-way]').text())).toMatch(
      /warming it to 22 °C\. Read it again .* before anything else is changed/,
    );
    expect(warming.find('[data-cure=warm]').text()).toContain('Tried');
    expect(warming.find('[data-cure=warm] .el-button').exists()).toBe(false);
    expect(bronze(warming)).toEqual([]);
  });

  it('shows every cause when it is asked to', async () => {
    const clinic = stuckInTheCold();
    await clinic.find('button.link').trigger('click');
    expect(clinic.findAll('[data-cause]')).toHaveLength(CAUSES.length);
  });
});

describe('the descent as a table', () => {
  const at = new Date(2026, 10, 20, 12).getTime();
  const reading = (day: number, sg: number, follows = true) => ({ at: at + day * DAY_MS, sg, plusMinus: 0.002, follows, isFloat: false });
  const forecast = Array.from({ length: 81 }, (_, i) => ({ at: at + i * DAY_MS, low: 0.99, middle: 1, high: 1.01 }));
  const data = {
    startAt: at,
    endAt: at,
    readings: [reading(0, 1.09), reading(2, 1.2, false), reading(4, 1.04)],
    temps: [],
    float: [],
    happenings: [],
    thirdBreakSg: null,
    end: { value: 0.992, low: 0.99, high: 0.996 },
    units: 'metric' as const,
    forecast,
    compared: [],
  };

  async function opened(shown: typeof data) {
    const table = mount(DescentTable, { props: { data: shown } });
    const fold = table.find<HTMLDetailsElement>('details');
    fold.element.open = true;
    await fold.trigger('toggle');
    return table;
  }

  it('says the trend in a sentence, every reading in a row, and the forecast in a few', async () => {
    const table = await opened(data);
    expect(plain(table.find('p').text())).toMatch(/^2 readings, from 1\.090 .* to 1\.040 .*; it should stop between 0\.990 and 0\.996\.$/);
    const rows = table.findAll('tbody tr').map((row) => plain(row.text()));
    expect(rows.filter((row) => row.includes('expected'))).toHaveLength(9);
    expect(rows.filter((row) => row.includes('not followed'))).toHaveLength(1);
  });

  it('says so where nothing was read', async () => {
    const table = await opened({ ...data, readings: [], end: null } as never);
    expect(table.find('p').text()).toBe('No reading that the record follows.');
  });
});
