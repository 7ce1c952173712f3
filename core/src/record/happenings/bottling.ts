import { bottleMl, list, number, record, say, whole } from '../../quantities/index.ts';
import { VOLUME_SLACK, requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import type { Bottles } from '../kinds.ts';
import { copyOf } from '../ledger.ts';
import { mixedOf } from '../view.ts';

const litersIn = ({ bottles }: { bottles: Bottles }): number =>
  bottles.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0);

export const bottling = happening({
  shape: record({ bottles: list(record({ sizeMl: number(20, 20_000, [250, 750]), count: whole(0, 5000, [0, 6]) }), 1, 12) }),
  believe: (ledger, payload) => requireVolume(litersIn(payload), ledger, 'bottled', VOLUME_SLACK),
  apply: (ledger, payload, { at }) => {
    const before = mixedOf(ledger);
    const bottles = payload.bottles.map((each) => ({ ...each }));
    const { bottled } = ledger.history;
    const mead = copyOf({ ...ledger, history: { ...ledger.history, bottled: null } });
    ledger.history.bottled = { at, bottles: [...(bottled?.bottles ?? []), ...bottles], mead };
    if (before !== null) removeFraction(ledger.liquid, litersIn(payload) / before.volumeL);
  },
  says: ({ bottles }) => [
    'bottled ',
    ...bottles.flatMap(({ count, sizeMl }, i) => say`${i === 0 ? '' : ', '}${String(count)} × ${bottleMl(sizeMl)}`),
  ],
  corrects: [],
  closesL: litersIn,
});
