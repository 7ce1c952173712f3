import { DEFAULT_PRACTICE, feedingPracticeOf } from '@hollow-bell/contract';
import { feedingNow, feedingPlanOf } from '@hollow-bell/core/feed';
import { brewDay, ledgerAsPlanned, planOf, plannedFrom, plannedHoney, predictMust, styleOf } from '@hollow-bell/core/must';
import { describe, expect, it } from 'vitest';
import { brewSheetPages } from './brewSheet.ts';

const plan = planOf([plannedHoney('linden', 1200), plannedFrom('gooseberry', 1500, { bagDays: 7 })], 3);
const figures = predictMust(plan);
const steps = brewDay(plan, figures, { fruit: 'sulfite', pecticEnzyme: true, mustSulfite: false, pitch: 'rehydrate' });
const ledger = ledgerAsPlanned(plan, 0);
const { doses } = feedingNow(feedingPlanOf(ledger, feedingPracticeOf({ practice: DEFAULT_PRACTICE }))!, ledger, 0);
const textOf = (units: 'metric' | 'us'): string => {
  const pages = brewSheetPages(
    { name: 'Green gate', plan, figures, style: styleOf(plan, 12), steps, doses },
    { units, locale: 'en-GB', now: 0 },
  );
  return JSON.stringify(pages.content).replaceAll('\u00a0', ' ');
};

describe('the brew day on paper', () => {
  it('has every step with its box and every pour with its amount and room for the real one', () => {
    const text = textOf('metric');
    for (const { title } of steps) expect(text).toContain(title);
    expect(text.match(/"rect"/g)).toHaveLength(steps.length + doses.length);
    expect(text).toContain('1.20 kg\\nreally ____');
    expect(text).toContain('3.00 L\\nreally ____');
    expect(text).toContain('No ammonium salts');
  });

  it('has every dose with its hour, its grams and room for the real ones', () => {
    const text = textOf('metric');
    expect(doses).toHaveLength(4);
    expect(text).toMatch(/24 h after the pitch: .*"[\d.]+ g organic nutrient and [\d.]+ g diammonium phosphate"/);
    expect(text).toContain('once 33 % of the sugar is gone, at the latest 7 days after the pitch');
    expect(text).toContain('Degas slowly before each dose');
  });

  it('is in the maker’s own units', () => {
    expect(textOf('us')).toContain('2.65 lb');
    expect(textOf('us')).toContain('0.79 US gal');
    expect(textOf('us')).toContain('°F');
    // Differences have no zero to shift: 10 and 5 °C are 18 and 9 °F.
    expect(textOf('us')).toContain('no change over 18 °F at a time, until it is within 9 °F of the must');
  });
});
