import { Refusal, massG, maybe, nameShape, number, record, say } from '../../quantities/index.ts';
import { isYeastId, ownYeastShape, yeastIdShape } from '../../yeast/index.ts';
import { requireLiquid } from '../believed.ts';
import { breakGuard } from '../guard.ts';
import { happening } from '../happening.ts';
import { asItIs, originFields } from '../origin.ts';
import { mixedOf } from '../view.ts';

/** Yeast goes in; the first that does is the pitch. */
export const yeast = happening({
  shape: record({ ...originFields, yeastId: yeastIdShape, name: nameShape, massG: number(0, 2000, [0, 10]), own: maybe(ownYeastShape) }),
  believe: (ledger, { yeastId }) => {
    requireLiquid(ledger, 'There is no must to pitch into yet; pour honey and water first.');
    if (!isYeastId(yeastId)) throw new Refusal(`No yeast here goes by “${yeastId}”; choose the type that is nearest.`, 'yeastId');
  },
  apply: (ledger, { yeastId, name, massG, own }, { at }) => {
    const { liquid, history } = ledger;
    const must = mixedOf(ledger);
    breakGuard(ledger);
    if (history.pitch !== null) history.yeasts.push({ at, yeastId, ...(own === undefined ? {} : { own: { ...own } }) });
    liquid.yeastG += massG;
    liquid.pouredG += massG;
    history.pitch ??= {
      at,
      yeastId,
      name,
      massG,
      ...(own === undefined ? {} : { own: { ...own } }),
      volumeL: must?.volumeL ?? 0,
      sg: must?.sg ?? 1,
      sugarGPerL: must === null ? 0 : liquid.sugarG / must.volumeL,
      broughtNMgPerL: must === null ? 0 : (liquid.broughtAmmoniumNMg + liquid.broughtAminoNMg) / must.volumeL,
    };
  },
  says: (payload) => say`pitched ${massG(payload.massG)} ${payload.name}`,
  corrects: [{ name: 'massG', label: 'dry yeast', kind: 'smallMass' }],
  takes: asItIs,
});
