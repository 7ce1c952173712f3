import type { Station } from '@hollow-bell/core/rounds';

export const STATION_NAMES: Record<Station, string> = {
  formulate: 'Formulate',
  pitch: 'Pitch',
  feed: 'Feed',
  watch: 'Watch',
  clear: 'Clear',
  stabilize: 'Stabilize',
  sweeten: 'Sweeten',
  bottle: 'Bottle',
  taste: 'Taste',
};

/** Of every address that is no batch; a batch's begins with its own name. */
export const PLACE_NAMES: Record<string, string> = {
  rounds: 'Rounds',
  batches: 'Batches',
  new: 'A new mead',
  found: 'A mead found',
  bench: 'Bench',
  shelf: 'Shelf',
  cellar: 'Cellar',
  practice: 'Practice',
  recipes: 'Recipes',
  house: 'House',
  enter: 'Come in',
  label: 'Label',
  help: 'Help',
  nowhere: 'Nothing here',
};

const TOOL_NAMES: Record<string, string> = {
  reading: 'A reading',
  alcohol: 'Alcohol',
  thin: 'Thin or thicken',
  blend: 'Blend two',
  vessel: 'Vessel',
  attemper: 'Attemper yeast',
  ph: 'Raise the pH',
  'thin-mead': 'Thin a mead',
  sulfite: 'Sulfite',
  sorbate: 'Sorbate',
  heat: 'Heat',
  finings: 'Finings',
  sweeten: 'Sweeten',
  acid: 'Acid',
  priming: 'Priming',
  keg: 'Keg',
  sanitizer: 'Sanitizer',
  units: 'Units',
};
/** What the bench calls a tool; the first where nobody asks for one. */
export const toolNamed = (id: string): string => TOOL_NAMES[id] ?? 'A reading';
