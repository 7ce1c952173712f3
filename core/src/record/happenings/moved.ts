import { record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** Carried elsewhere as it is: another room, another shelf. */
export const moved = happening({
  shape: record({ to: text(80) }),
  apply: ({ history }, { to }, { at }) => {
    history.place = { at, name: to };
  },
  says: ({ to }) => [`moved to ${to}`],
  corrects: [{ name: 'to', label: 'where to', kind: 'text' }],
});
