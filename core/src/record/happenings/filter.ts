import { record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** Filtered, and through what; home pads leave yeast in it. */
export const filter = happening({
  shape: record({ through: text(80) }),
  apply: ({ history }, { through }, { at }) => {
    history.filters.push({ at, through });
  },
  says: ({ through }) => [`filtered through ${through}`],
  corrects: [{ name: 'through', label: 'through', kind: 'text' }],
});
