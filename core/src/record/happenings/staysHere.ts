import { Refusal, record } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { settleStay } from '../staysHere.ts';

/** The maker’s word: it rests here, above where it was expected, and is looked at as it is. */
export const staysHere = happening({
  shape: record({}),
  believe: ({ history }) => {
    if (history.pitch === null) throw new Refusal('It has not been pitched yet; there is nothing that could rest.');
  },
  apply: (ledger, _, { at }) => {
    settleStay(ledger);
    ledger.care.staysHereAt = at;
  },
  says: () => ['it stays here, by your word'],
  corrects: [],
});
