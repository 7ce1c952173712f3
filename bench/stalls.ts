import { stallCases, stallStudy } from '@hollow-bell/core/simulate';

const day = (days: number | null): string => (days === null ? '–' : days.toFixed(1));
const SEEDS = [7, 31, 127, 401, 977];

/** Forty simulated musts with known truth, as a table in Markdown for docs/stalls.md. */
export function stallTable(): string {
  const [seed = 7] = SEEDS;
  const { results, falseCalls, found, wellRanked } = stallStudy(stallCases(seed));
  const rows = results.map(
    ({ id, isStuck, stoppedDay, calledDay, rank, verdict }) =>
      `| ${id} | ${isStuck ? 'stuck' : 'not'} | ${isStuck ? day(stoppedDay) : ''} | ${day(calledDay)} | ${rank === null ? '' : rank + 1} | ${verdict} |`,
  );
  const others = SEEDS.map((each) => {
    const study = stallStudy(stallCases(each));
    return `| ${each} | ${study.falseCalls.length} of 28 | ${study.found.length} of 12 | ${study.wellRanked.length} of 12 |`;
  });
  return [
    `Called stuck though they are not: ${falseCalls.length} of 28. Found within four days: ${found.length} of 12. True cause first or second: ${wellRanked.length} of 12.`,
    '',
    '| case | truth | stopped, day | called, day | place of the true cause | last verdict |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
    '| other seeds | called wrongly | found | ranked |',
    '| --- | --- | --- | --- |',
    ...others,
  ].join('\n');
}
