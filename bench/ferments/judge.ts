/**
 * What the clinic would have said of given meads at each moment asked: node --import tsx bench/ferments/judge.ts IN OUT.
 * IN holds questions with what may be seen then; OUT takes a state, the likeliest causes and what would be advised, in their words.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { judge } from './verdictOf.ts';
import type { Given } from './given.ts';

const [from = '', to = ''] = process.argv.slice(2);
const { questions } = JSON.parse(readFileSync(from, 'utf8')) as { questions: Given[] };
writeFileSync(to, JSON.stringify({ predictions: questions.map(judge) }));
console.log(`${questions.length} are answered in ${to}`);
