/**
 * What the program would have said of given fermentations at each moment asked: node --import tsx bench/ferments/predict.ts IN OUT.
 * IN holds questions with what may be seen then; OUT takes gravities, end and final gravity as their 10, 50 and 90 % points.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { predict } from './forecastOf.ts';
import type { Given } from './given.ts';

const [from = '', to = ''] = process.argv.slice(2);
const { questions } = JSON.parse(readFileSync(from, 'utf8')) as { questions: Given[] };
const predictions = (await Promise.all(questions.map(predict))).filter((each) => each !== null);
writeFileSync(to, JSON.stringify({ predictions }));
console.log(`${predictions.length} of ${questions.length} are answered in ${to}`);
