import { WATER_20_KG_PER_M3 } from '../../liquid/index.ts';
import { number, record, say, volumeL } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { pourWater } from '../inVessel.ts';
import { originFields } from '../origin.ts';

export const water = happening({
  shape: record({ ...originFields, volumeL: number(0, 2000, [0, 10]) }),
  apply: (ledger, payload, { assumptions }) => pourWater(ledger.liquid, payload.volumeL * assumptions.waterScale * WATER_20_KG_PER_M3),
  says: (payload) => say`poured ${volumeL(payload.volumeL)} water`,
  corrects: [{ name: 'volumeL', label: 'water', kind: 'volume' }],
});
