import { TERMS } from './words.ts';

/** Also as they are bent: musts, pitched, racking. */
const BENT: Record<string, string> = {
  must: 'musts?',
  pitch: 'pitch(?:ed|es|ing)?',
  gravity: 'gravit(?:y|ies)',
  points: 'points?',
  YAN: 'YAN|nitrogen',
  degas: 'degas(?:sed|sing|ses)?',
  rack: 'rack(?:ed|ing|ings|s)?',
  stabilize: 'stabiliz(?:ed|es|ing|e)',
  'back-sweeten': 'back-sweeten(?:ed|ing|s)?|sweetened with honey',
  prime: 'prim(?:ed|ing|es|e)',
  melomel: 'melomels?',
};
const PATTERNS = TERMS.map(([term, means]) => ({
  term,
  means,
  pattern: new RegExp(`(?<![\\w-])(?:${BENT[term] ?? term})(?![\\w-])`, term === 'Brix' ? '' : 'i'),
}));
/** “must” is more often a verb than a must. */
const VERB_MUST = /\bmust (?:be|have|not|hold|stay|lie|come|go|weigh)\b/gi;

/** The field’s words that a text uses, in the order of their first use. */
export function termsIn(text: string): { term: string; means: string }[] {
  const nouns = text.replaceAll(VERB_MUST, '');
  return PATTERNS.flatMap(({ term, means, pattern }) => {
    const at = nouns.search(pattern);
    return at < 0 ? [] : [{ term, means, at }];
  })
    .sort((a, b) => a.at - b.at)
    .map(({ term, means }) => ({ term, means }));
}

/** Where Help explains it. */
export const anchorOf = (term: string): string => `word-${term.replaceAll(' ', '-')}`;
