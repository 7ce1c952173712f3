import { Refusal, record, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** Bottles that were thought gone, and are there. */
export const bottleFound = happening({
  shape: record({ count: whole(1, 5000, [1, 3]) }),
  believe: ({ history: { bottled, bottlesOut, bottlesFound } }, { count }) => {
    if (bottled === null) throw new Refusal('Nothing of this batch is bottled yet.');
    const gone = [...bottlesOut.map((out) => out.count), ...bottlesFound.map((found) => -found.count)].reduce((sum, each) => sum + each, 0);
    if (count > gone)
      throw new Refusal(`By the record ${gone === 0 ? 'none is' : `only ${gone} are`} gone; ${count} cannot be found again.`, 'count');
  },
  apply: ({ history }, { count }, { at }) => {
    history.bottlesFound.push({ at, count });
  },
  says: ({ count }) => [`found ${count} ${count === 1 ? 'bottle' : 'bottles'} again`],
  corrects: [{ name: 'count', label: 'bottles', kind: 'count' }],
});
