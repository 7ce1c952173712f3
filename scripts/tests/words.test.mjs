import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../setup/paths.mjs';
import { HOLE, shownTexts } from './shownTexts.mjs';

/** The lines of the day sheet stand in a field of blanks; an address of the dip line holds a gap for an amount. */
const MAY_HOLD_GAPS = ['tell/src/brewSheet.ts', 'tell/src/dip/deeds/poured.ts'];
/** Formulas in SI, what is engraved on a glass, and makers' own notes in the made-up cellar. */
const MAY_NAME_DEGREES = [
  'core/src/must/working.ts',
  'core/src/stabilize/working.ts',
  'tell/src/tables/readings.ts',
  'server/src/features/demo/bottled.ts',
  'server/src/features/demo/recipes.ts',
  'web/src/parts/fields/PracticeFields.vue',
  'web/src/parts/stabilize/HeatSchool.vue',
];
/** Both scales at once; Celsius that a device sends; what a label has to bear; a line to be typed. */
const MAY_WRITE_UNITS = [
  'core/src/quantities/typed/scales.ts',
  'contract/src/float.ts',
  'web/src/places/LabelPlace.vue',
  'web/src/parts/stabilize/ChemicalSchool.vue',
];

const texts = shownTexts();
const told = (found) => found.map(({ file, text }) => `${file}: ${text}`);
/** The last column of the style sheet’s table. */
const unwanted = readFileSync(join(ROOT, 'docs', 'words.md'), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && !/^\| (?:we say|---)/.test(line))
  .flatMap((line) => line.split('|')[3].split(','))
  .map((word) => word.trim())
  .filter((word) => word !== '');
const hasWord = (text, word) => new RegExp(`(?<![\\w-])${word.replaceAll('/', '\\/')}(?![\\w-])`, 'i').test(text);

describe('the words of the product', () => {
  it('are all found: from sentences, templates and their attributes', () => {
    expect(texts.length).toBeGreaterThan(2500);
    for (const part of ['comes by the sugar', 'It still works: nothing asks for a racking yet.', 'Find by name, honey or yeast'])
      expect(texts.some(({ text }) => text.includes(part))).toBe(true);
  });

  it.each(unwanted)('do without “%s”', (word) => {
    expect(told(texts.filter(({ text }) => hasWord(text, word)))).toEqual([]);
  });

  it('have no double blanks, none before a comma, no exclamation marks, no three dots', () => {
    const isTidy = (text) => !/ {2}|\s[,;](?:\s|$)|\.\.\.|[a-z]!(?:\s|$)/.test(text.trim());
    expect(told(texts.filter(({ file, text }) => !isTidy(text) && !MAY_HOLD_GAPS.includes(file)))).toEqual([]);
  });

  it('hold no temperature of their own outside formulas: it is a quantity, in the maker’s scale', () => {
    const isFixed = ({ text }) => /\d ?°[CF]/.test(text);
    expect(told(texts.filter((each) => isFixed(each) && !MAY_NAME_DEGREES.includes(each.file)))).toEqual([]);
  });

  it('leave the unit to the quantity: none stands written behind a figure', () => {
    const hasUnit = new RegExp(`${HOLE} (?:g|kg|L|°C|°F|% vol)(?![\\w/])`);
    expect(told(texts.filter(({ file, text }) => hasUnit.test(text) && !MAY_WRITE_UNITS.includes(file)))).toEqual([]);
  });
});
