import type { Mark } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { DipAsk, candidate } from './ask.ts';

/** What eye and nose find: the word, what it is called, and what “no” before it makes of it. */
interface Sense {
  pattern: RegExp;
  mark: Mark;
  text: string;
  not?: { mark: Mark; text: string };
}

const SENSES: readonly Sense[] = [
  {
    pattern:
      /\b(?:mold|mould|moldy|mouldy|fuzz|fuzzy|fur|furry|hairy?|(?:blue|green|black|grey|gray) (?:spots?|dots?|growth|patch(?:es)?))\b/,
    mark: 'mold',
    text: 'Mold on it',
  },
  { pattern: /\b(?:film|skin|pellicle)\b/, mark: 'film', text: 'A film on it' },
  { pattern: /\b(?:h2s|sulfur|sulphur|sulfury|eggs?|eggy|rotten)\b/, mark: 'sulfur', text: 'Smells of sulfur' },
  { pattern: /\b(?:solvent|acetone|nail polish|glue|paint thinner|varnish)\b/, mark: 'solvent', text: 'Smells of solvent' },
  { pattern: /\b(?:vinegar|vinegary|acetic)\b/, mark: 'vinegar', text: 'Smells of vinegar' },
  { pattern: /\b(?:rubber|rubbery|burnt tires?)\b/, mark: 'rubber', text: 'Smells of burnt rubber' },
  { pattern: /\b(?:geraniums?)\b/, mark: 'geranium', text: 'Smells of geraniums' },
  { pattern: /\b(?:retch(?:ing)?|vomit|rancid|putrid|sewage)\b/, mark: 'retching', text: 'A smell that makes one retch' },
  {
    pattern: /\b(?:bubbles?|bubbling|blips?|airlock (?:moves|active|going))\b/,
    mark: 'bubbling',
    text: 'Bubbling',
    not: { mark: 'quiet', text: 'No bubbles' },
  },
  { pattern: /\b(?:quiet|airlock (?:still|quiet|silent))\b/, mark: 'quiet', text: 'No bubbles' },
  { pattern: /\b(?:foam|foams|foaming|krausen)\b/, mark: 'foam', text: 'Foaming' },
  { pattern: /\b(?:hazy|cloudy|murky)\b/, mark: 'hazy', text: 'Hazy' },
  { pattern: /\b(?:clear|cleared|bright|limpid)\b/, mark: 'clear', text: 'Clear', not: { mark: 'hazy', text: 'Hazy' } },
  { pattern: /\b(?:degassed|degas|degassing)\b/, mark: 'degassed', text: 'Degassed' },
  { pattern: /\b(?:stirred|roused|swirled)\b/, mark: 'stirred', text: 'Stirred' },
  { pattern: /\b(?:punched(?: (?:it|the cap|the fruit))?(?: down)?)\b/, mark: 'punched', text: 'Cap punched down' },
  { pattern: /\b(?:aerated|splashed|oxygenated|shaken|shook)\b/, mark: 'aerated', text: 'Aerated' },
];

const NO = /\b(?:no|not|never|without|isn't|isn’t|aren't|aren’t|hasn't|hasn’t|doesn't|doesn’t|no longer|stopped|ceased|almost|nearly)\b/;
/** Words that may stand around one of these without meaning anything more. */
const AROUND =
  /\b(?:it(?:['’]?s)?|a|an|the|is|has|have|was|smells?|smelled|smelling|smelt|of|like|on|in|top|now|again|still|slight(?:ly)?|bit|little|some|strong(?:ly)?|faint(?:ly)?|very|quite|white|dry|flat|nose|surface|there|yet|any|more|away|per|minute|min|a minute|hours?|well|gently|first|lots?|much|good|fully|today|this|morning|evening|blue|green|black|grey|gray|twice|once|rotten|spots?|growth|wall|walls|no|not|never|without|longer|doesn['’]t|does|do|stopped|ceased|thin|thick|burnt|burned|crystal|completely|almost|nearly|every|seconds?|sec|one|few|couple|for|looks?|looking|seems?|getting|all|going|the must|must|mead|lees|yeast|fruit|cap|up|with|spoon|floating|patch|layer)\b/g;

const isSmall = (words: string): boolean => words.replace(AROUND, '').replace(/[^\p{L}\p{N}]/gu, '') === '';

/** What may be a film or mold, and what is surely mold. */
const UNCLEAR = /\b(?:stuff|spots?|dots?|islands?|patch(?:es)?|growth)\b/;
const COLORED = /\b(?:blue|green|black|gr[ae]y|fuzz|fuzzy|hairy|furry|mold|mould|film|skin)\b/;

/** What was seen or smelled as an entry; null where the words tell of something else. */
export function readSenses(words: string, again: (line: string) => string): EventContent | null {
  if (UNCLEAR.test(words) && /\b(?:top|surface|white|floating|floats|it)\b/.test(words) && !COLORED.test(words))
    throw new DipAsk('A flat, dry skin, or fuzz?', [candidate(again('film'), 'a flat, dry film'), candidate(again('mold'), 'fuzz: mold')]);
  const sense = SENSES.find(({ pattern }) => pattern.test(words));
  if (sense === undefined) {
    if (/\bsmell|\bstink|\bstank/.test(words))
      throw new DipAsk(
        'What does it smell of? Sulfur, solvent, vinegar, rubber or geraniums are looked after; the rest may stand as a note.',
        [candidate(again(`note ${words}`))],
      );
    return null;
  }
  /** How high the foam stands tells nothing that is kept. */
  const others = words
    .replace(new RegExp(sense.pattern, 'g'), '')
    .replace(/\d+\s*(?:cm|mm|inch(?:es)?|min(?:utes?)?|sec(?:onds?)?|times)\b/, '');
  const bubbles = /^(?:about )?(?:(?:\d+|one|a|two|three)\s+(?:bubbles?|blips?))\b/.test(words);
  if (!isSmall(bubbles ? others.replace(/\d+/, '') : others)) return null;
  if (!NO.test(words))
    return { kind: 'note', payload: { text: bubbles ? words.charAt(0).toUpperCase() + words.slice(1) : sense.text, mark: sense.mark } };
  if (sense.not === undefined) throw new DipAsk(`That it is not so can stand as a note.`, [candidate(again(`note ${words}`))]);
  return { kind: 'note', payload: sense.not };
}

/** A word for something seen, smelled or done stands in it: such a line is never a mere note. */
export const holdsSense = (words: string): boolean => SENSES.some(({ pattern }) => pattern.test(words));
