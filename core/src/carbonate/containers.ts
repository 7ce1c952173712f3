import type { BottleRow, ClosureId, ContainerId } from '../record/index.ts';

export interface Container {
  id: ContainerId;
  name: string;
  /** What it bears, volumes of CO2; null where only its maker knows. */
  volumes: number | null;
  says: string;
}

/** What bears gas, by makers' rule of thumb for glass without a flaw (trade practice); of the rest their makers must say it. */
export const CONTAINERS: readonly Container[] = [
  { id: 'wine', name: 'wine bottle', volumes: 0, says: 'thin glass, made for still wine: it bears no gas' },
  { id: 'used beer', name: 'beer bottle, used', volumes: 3, says: 'about 3 volumes; each use leaves scratches' },
  { id: 'new beer', name: 'heavy beer bottle, new', volumes: 4, says: 'about 4 volumes' },
  { id: 'sparkling', name: 'sparkling-wine bottle', volumes: 6, says: 'about 6 volumes, under a wired cork or a crown cap' },
  { id: 'swing-top', name: 'swing-top bottle', volumes: null, says: 'as its maker says; those for show bear none' },
  {
    id: 'plastic',
    name: 'plastic pressure bottle',
    volumes: null,
    says: 'as its maker says; it swells hard before it gives: a gauge for the others',
  },
  { id: 'other', name: 'another bottle', volumes: null, says: 'as its maker says' },
  { id: 'keg', name: 'keg', volumes: null, says: 'by its pressure; it has a valve that lets go first' },
];

export const containerOf = (id: ContainerId): Container => {
  const found = CONTAINERS.find((each) => each.id === id);
  if (found === undefined) throw new Error(`no container “${id}”`);
  return found;
};

/** Closures that hold what is under them; a bare cork is pushed out, and a screw cap on wine's thread lets go (trade practice). */
const HOLDS_GAS: Record<ClosureId, boolean> = {
  cork: false,
  'screw cap': false,
  'crown cap': true,
  'swing-top': true,
  'wired cork': true,
  lid: true,
};
/** Closures that plastic comes with. */
const holdsGas = (kind: ContainerId, closure: ClosureId): boolean => HOLDS_GAS[closure] || (kind === 'plastic' && closure === 'screw cap');

/** What each kind is usually closed with, the first of them. */
export const CLOSURES_OF: Record<ContainerId, readonly ClosureId[]> = {
  wine: ['cork', 'screw cap'],
  'used beer': ['crown cap'],
  'new beer': ['crown cap'],
  sparkling: ['wired cork', 'crown cap'],
  'swing-top': ['swing-top'],
  plastic: ['screw cap'],
  other: ['crown cap', 'cork', 'screw cap', 'swing-top', 'wired cork'],
  keg: ['lid'],
};

/**
 * Volumes that a bottle bears as it is closed: its kind's, or less where its maker says less; more only where its kind has no rule.
 *
 * @returns 0 where it bears no gas, null where nobody said, Infinity for a keg
 */
export function ratingOf({ kind, closure, ratedVolumes }: Pick<BottleRow, 'kind' | 'closure' | 'ratedVolumes'>): number | null {
  if (kind === undefined) return null;
  if (kind === 'keg') return Number.POSITIVE_INFINITY;
  if (closure !== undefined && !holdsGas(kind, closure)) return 0;
  const { volumes } = containerOf(kind);
  if (volumes === null) return ratedVolumes ?? null;
  return Math.min(volumes, ratedVolumes ?? volumes);
}
