import { thinning } from '@hollow-bell/core/check';
import { isAllBottled, FINING_IDS, chemicalEntry, drippingOf, mixedOf } from '@hollow-bell/core/record';
import type { BottleEnd, EventContent, FiningId, Ledger, Mark, RemovalReason } from '@hollow-bell/core/record';
import { massG, say, volumeL } from '@hollow-bell/core/quantities';
import type { FieldKind, Limits, Sentence } from '@hollow-bell/core/quantities';
import { SULFITE_SALTS } from '@hollow-bell/core/preservatives';

interface Asked {
  name: string;
  label: string;
  needed?: boolean;
}
type AskedFor =
  | (Asked & { is: 'quantity'; kind: FieldKind; limits?: Limits })
  | (Asked & { is: 'text'; placeholder: string })
  | (Asked & { is: 'choice'; options: readonly { value: string; label: string }[] });

export type Given = Record<string, number | string | null>;

/** Something that a maker does and writes down, with what has to be asked for it. */
export interface Act {
  id: string;
  label: string;
  group: 'Liquid' | 'Into it' | 'Done to it' | 'Bottles' | 'Words';
  /** Whether there is anything to do it to. */
  isOpen: (ledger: Ledger) => boolean;
  asks: readonly AskedFor[];
  /** What to know before it is done. */
  about?: (ledger: Ledger, given: Given) => Sentence | null;
  make: (given: Given, ledger: Ledger) => EventContent[];
}

const isFilled = (ledger: Ledger): boolean => !isAllBottled(ledger) && mixedOf(ledger) !== null;
const num = (given: Given, name: string): number => Number(given[name] ?? 0);
const word = (given: Given, name: string): string => String(given[name] ?? '').trim();
const optional = (given: Given, name: string): number | undefined => (typeof given[name] === 'number' ? given[name] : undefined);
const asOptions = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

const LOST: readonly (readonly [RemovalReason, string])[] = [
  ['foam', 'foamed over'],
  ['spill', 'spilled'],
  ['sample', 'a sample'],
  ['drunk', 'drunk'],
  ['lees', 'left on the lees'],
  ['dumped', 'dumped'],
];

/** By amount, or what is missing to a mark by what is reckoned to be there. */
const waterL = (given: Given, ledger: Ledger): number =>
  optional(given, 'volumeL') ?? Math.max(0, (optional(given, 'markL') ?? 0) - (mixedOf(ledger)?.volumeL ?? 0));

/** What ran over, by its least and its most. */
function foamedOver(given: Given): EventContent[] {
  const [low, high] = [optional(given, 'lowL') ?? optional(given, 'highL'), optional(given, 'highL') ?? optional(given, 'lowL')];
  if (low === undefined || high === undefined) return [];
  const [lowL, highL] = [Math.min(low, high), Math.max(low, high)];
  return [{ kind: 'removal', payload: { volumeL: (lowL + highL) / 2, lowL, highL, reason: 'foam' } }];
}

const marked = (mark: Mark, label: string, text: string): Act => ({
  id: mark,
  label,
  group: 'Done to it',
  isOpen: isFilled,
  asks: [],
  make: () => [{ kind: 'note', payload: { text, mark } }],
});

const changed = (cure: 'warm' | 'cool', label: string): Act => ({
  id: cure,
  label,
  group: 'Done to it',
  isOpen: isFilled,
  asks: [{ is: 'quantity', name: 'toC', label: 'to', kind: 'temp', limits: { low: 0, high: 40 }, needed: true }],
  make: (given) => [{ kind: 'cure', payload: { cure, toC: num(given, 'toC') } }],
});

const bottles = (end: BottleEnd, label: string): Act => ({
  id: end,
  label,
  group: 'Bottles',
  isOpen: ({ history }) => history.bottled !== null,
  asks: [{ is: 'quantity', name: 'count', label: 'how many', kind: 'count', needed: true }],
  make: (given) => [{ kind: 'bottleOut', payload: { count: num(given, 'count'), end } }],
});

/** Words that gather where the batch is looked back at. */
const said = (mark: 'next time' | 'tasting', label: string, placeholder: string): Act => ({
  id: mark,
  label,
  group: 'Words',
  isOpen: () => true,
  asks: [{ is: 'text', name: 'text', label: 'in words', placeholder, needed: true }],
  make: (given) =>
    mark === 'tasting'
      ? [{ kind: 'tasting', payload: { words: word(given, 'text') } }]
      : [{ kind: 'note', payload: { text: word(given, 'text'), mark } }],
});

/** Every act that has no form of its own on a station. */
export const ACTS: readonly Act[] = [
  said('next time', 'Next time', 'what to do differently'),
  said('tasting', 'Tasted', 'what it says'),
  {
    id: 'lost',
    label: 'Lost, sampled, drunk',
    group: 'Liquid',
    isOpen: isFilled,
    asks: [
      { is: 'choice', name: 'reason', label: 'what happened', options: LOST.map(([value, label]) => ({ value, label })), needed: true },
      { is: 'quantity', name: 'volumeL', label: 'about how much', kind: 'volume', needed: true },
      { is: 'quantity', name: 'lowL', label: 'at least', kind: 'volume' },
      { is: 'quantity', name: 'highL', label: 'at most', kind: 'volume' },
      {
        is: 'choice',
        name: 'returned',
        label: 'and then',
        options: [
          { value: '', label: 'it is gone' },
          { value: 'returned', label: 'it was poured back' },
        ],
      },
    ],
    make: (given) => [
      {
        kind: 'removal',
        payload: {
          volumeL: num(given, 'volumeL'),
          reason: word(given, 'reason') as RemovalReason,
          ...(optional(given, 'lowL') === undefined ? {} : { lowL: num(given, 'lowL') }),
          ...(optional(given, 'highL') === undefined ? {} : { highL: num(given, 'highL') }),
          ...(word(given, 'returned') === '' ? {} : { returned: true }),
        },
      },
    ],
  },
  {
    id: 'water',
    label: 'Topped up with water',
    group: 'Liquid',
    isOpen: isFilled,
    asks: [
      { is: 'quantity', name: 'volumeL', label: 'how much', kind: 'volume' },
      { is: 'quantity', name: 'markL', label: 'or up to a mark of', kind: 'volume' },
    ],
    about: (ledger, given) => {
      const liters = waterL(given, ledger);
      const does = liters > 0 ? thinning(ledger, liters, Date.now()) : null;
      return does === null ? ['Water thins it; its like from a companion jug does not.'] : [...say`${volumeL(liters)}: `, ...does];
    },
    make: (given, ledger) => (waterL(given, ledger) > 0 ? [{ kind: 'water', payload: { volumeL: waterL(given, ledger) } }] : []),
  },
  {
    id: 'topUp',
    label: 'Topped up from the companion jug',
    group: 'Liquid',
    isOpen: (ledger) => isFilled(ledger) && ledger.history.vessels.some(({ isCompanion }) => isCompanion),
    asks: [{ is: 'quantity', name: 'volumeL', label: 'how much', kind: 'volume', needed: true }],
    make: (given) => [{ kind: 'topUp', payload: { volumeL: num(given, 'volumeL') } }],
  },
  {
    id: 'bag',
    label: 'Bag or pulp out',
    group: 'Liquid',
    isOpen: (ledger) => isFilled(ledger) && ledger.liquid.insolubleG > 0,
    asks: [{ is: 'quantity', name: 'massG', label: 'as it drips; leave it empty unweighed', kind: 'mass' }],
    about: (ledger) => {
      const { low, high } = drippingOf(ledger, 1);
      return say`By what went in it weighs about ${massG(low)} to ${massG(high)}, dripping and lightly pressed.`;
    },
    make: (given) => [{ kind: 'strain', payload: { share: 1, ...(given['massG'] === null ? {} : { massG: num(given, 'massG') }) } }],
  },
  {
    id: 'fining',
    label: 'Finings or enzyme',
    group: 'Into it',
    isOpen: isFilled,
    asks: [
      { is: 'choice', name: 'fining', label: 'which', options: asOptions(FINING_IDS), needed: true },
      { is: 'quantity', name: 'massG', label: 'how much', kind: 'smallMass', needed: true },
    ],
    about: () => [
      'The packet’s own dose first, and a glass before the vessel: color and aroma go too. Isinglass, casein and egg are allergens.',
    ],
    make: (given) => {
      const fining = word(given, 'fining') as FiningId;
      return [chemicalEntry(fining, num(given, 'massG'), fining === 'other' ? 'finings' : fining)];
    },
  },
  {
    id: 'sulfite',
    label: 'Sulfite',
    group: 'Into it',
    isOpen: isFilled,
    asks: [
      {
        is: 'choice',
        name: 'salt',
        label: 'which',
        options: SULFITE_SALTS.map((value) => ({ value, label: `${value} metabisulfite` })),
        needed: true,
      },
      { is: 'quantity', name: 'massG', label: 'how much', kind: 'smallMass', needed: true },
    ],
    about: () => ['Its fumes hurt lungs, with asthma above all: open a window, keep your nose away.'],
    make: (given) => [{ kind: 'sulfite', payload: { salt: word(given, 'salt') as 'potassium', massG: num(given, 'massG') } }],
  },
  {
    id: 'sorbate',
    label: 'Sorbate',
    group: 'Into it',
    isOpen: isFilled,
    asks: [{ is: 'quantity', name: 'massG', label: 'how much', kind: 'smallMass', needed: true }],
    make: (given) => [{ kind: 'sorbate', payload: { massG: num(given, 'massG') } }],
  },
  {
    id: 'base',
    label: 'Carbonate',
    group: 'Into it',
    isOpen: isFilled,
    asks: [
      {
        is: 'choice',
        name: 'salt',
        label: 'which',
        options: [
          { value: 'bicarbonate', label: 'potassium bicarbonate' },
          { value: 'carbonate', label: 'potassium carbonate' },
        ],
        needed: true,
      },
      { is: 'quantity', name: 'massG', label: 'how much', kind: 'smallMass', needed: true },
    ],
    about: () => ['It foams: give it dissolved, in small parts.'],
    make: (given) => [{ kind: 'base', payload: { salt: word(given, 'salt') as 'carbonate', massG: num(given, 'massG') } }],
  },
  {
    id: 'heat',
    label: 'Heated',
    group: 'Done to it',
    isOpen: (ledger) => isFilled(ledger) || ledger.history.bottled !== null,
    asks: [
      { is: 'quantity', name: 'tempC', label: 'its core was at', kind: 'temp', limits: { low: 30, high: 100 }, needed: true },
      { is: 'quantity', name: 'minutes', label: 'for minutes', kind: 'count', needed: true },
    ],
    about: () => ['Never sealed. Measure the core, not the bath; no cold surface under hot glass.'],
    make: (given) => [{ kind: 'heat', payload: { tempC: num(given, 'tempC'), minutes: num(given, 'minutes') } }],
  },
  {
    id: 'filter',
    label: 'Filtered',
    group: 'Done to it',
    isOpen: isFilled,
    asks: [{ is: 'text', name: 'through', label: 'through', placeholder: 'pads, a cloth …', needed: true }],
    about: () => ['Home pads are not sterile: yeast stays in it.'],
    make: (given) => [{ kind: 'filter', payload: { through: word(given, 'through') } }],
  },
  {
    id: 'moved',
    label: 'Moved',
    group: 'Done to it',
    isOpen: isFilled,
    asks: [{ is: 'text', name: 'to', label: 'where to', placeholder: 'the cellar', needed: true }],
    make: (given) => [{ kind: 'moved', payload: { to: word(given, 'to') } }],
  },
  changed('warm', 'Warmed'),
  changed('cool', 'Cooled'),
  {
    ...marked('degassed', 'Degassed', 'Degassed'),
    asks: [
      { is: 'quantity', name: 'lowL', label: 'foamed over, at least', kind: 'volume' },
      { is: 'quantity', name: 'highL', label: 'at most', kind: 'volume' },
    ],
    about: () =>
      say`Slowly at first: a must full of gas can erupt. Half a minute one way, half a minute the other, about eight times, never on the vessel’s floor. What ran over is often ${volumeL(1)} to ${volumeL(2)}; leave it empty where nothing did.`,
    make: (given) => [{ kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }, ...foamedOver(given)],
  },
  marked('stirred', 'Stirred', 'Stirred'),
  marked('punched', 'Cap punched down', 'Cap punched down'),
  marked('aerated', 'Aerated', 'Aerated'),
  bottles('opened', 'Opened'),
  bottles('given', 'Given away'),
  bottles('broken', 'Broken'),
];
