import { expect, it } from 'vitest';
import { TERMS } from './words.ts';
import { anchorOf, termsIn } from './termsIn.ts';

const named = (text: string): string[] => termsIn(text).map(({ term }) => term);

it('finds the field’s words in the order of their first use, however they are bent', () => {
  expect(named('Racked off the lees, the mead was degassed; then its gravity fell three points.')).toEqual([
    'rack',
    'lees',
    'degas',
    'gravity',
    'points',
  ]);
  expect(named('Two musts, pitched at dusk. The must of the heather is dry.')).toEqual(['must', 'pitch', 'dry']);
});

it('takes no verb for a must, and no part of another word for a term', () => {
  expect(named('It must be above 0, and must not boil.')).toEqual([]);
  expect(named('crackling drying points of view'.replace('points of view', 'pointsman'))).toEqual([]);
});

it('gives each word an address of its own', () => {
  const anchors = TERMS.map(([term]) => anchorOf(term));
  expect(new Set(anchors).size).toBe(TERMS.length);
  expect(anchors.every((anchor) => /^[\w-]+$/.test(anchor))).toBe(true);
});
