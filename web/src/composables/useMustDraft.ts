import { MEAN_HONEY } from '@hollow-bell/core/ledger';
import { holdsContradict, judgeMust, predictMust, solveMust } from '@hollow-bell/core/must';
import type { Hold, Holds, MustPlan, PlannedHoney } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import { computed, ref, shallowRef } from 'vue';

export const newHoney = (name: string): PlannedHoney => ({
  name,
  massG: 0,
  moisture: MEAN_HONEY.moisture,
  unfermentable: MEAN_HONEY.unfermentable,
});

/** Two holds, the latest last. */
type Pair = [Hold, Hold];

/**
 * A must being planned: two things are held, the rest follows. Touching a third lets go of the older one that is not of
 * its own kind. Where no must meets the holds, the draft stays as it was and says why.
 */
export function useMustDraft(initial: MustPlan) {
  const plan = shallowRef<MustPlan>(initial);
  const first = predictMust(initial);
  const held = ref<Pair>(['og', 'volumeL']);
  const values = ref<Record<Hold, number>>({
    volumeL: first.volumeL.value,
    og: first.og.value,
    abv: first.abv.value,
    sweetnessGPerL: first.sugarLeftGPerL.value,
    honeyG: honeyTotalG(initial),
  });
  const refusal = ref('');

  const figures = computed(() => predictMust(plan.value));
  const verdicts = computed(() => judgeMust(plan.value, figures.value));

  function solve(next: { pair?: Pair; values?: Partial<Record<Hold, number>>; plan?: MustPlan }): boolean {
    const pair = next.pair ?? held.value;
    const wanted = { ...values.value, ...next.values };
    const from = next.plan ?? plan.value;
    const holds: Holds = { [pair[0]]: wanted[pair[0]], [pair[1]]: wanted[pair[1]] };
    try {
      const solved = solveMust(holds, from.honeys, from.yeastId);
      const total = honeyTotalG(from);
      const honeys = from.honeys.map((honey) => ({
        ...honey,
        massG: solved.honeyG * (total > 0 ? honey.massG / total : 1 / from.honeys.length),
      }));
      plan.value = { ...from, honeys, waterL: solved.waterL };
      const made = figures.value;
      held.value = pair;
      values.value = {
        volumeL: made.volumeL.value,
        og: made.og.value,
        abv: made.abv.value,
        sweetnessGPerL: made.sugarLeftGPerL.value,
        honeyG: solved.honeyG,
        [pair[0]]: wanted[pair[0]],
        [pair[1]]: wanted[pair[1]],
      };
      refusal.value = '';
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refusal.value = error.message;
      return false;
    }
  }

  /** Holds this at a value. A hold of its own kind gives way, else the one held longer. */
  function hold(name: Hold, value: number): boolean {
    const [older, newer] = held.value;
    const stays = holdsContradict(name, newer) ? older : newer;
    return solve({ pair: [stays, name], values: { [name]: value } });
  }

  const change = (over: Partial<MustPlan>): boolean => solve({ plan: { ...plan.value, ...over } });

  /** The mass of one honey, as poured; their sum is held. */
  function weigh(index: number, massG: number): boolean {
    const honeys = plan.value.honeys.map((honey, i) => (i === index ? { ...honey, massG } : honey));
    const [older, newer] = held.value;
    const stays = newer === 'honeyG' ? older : newer;
    return solve({ plan: { ...plan.value, honeys }, pair: [stays, 'honeyG'], values: { honeyG: honeyTotalG({ honeys }) } });
  }

  return { plan, held, values, figures, verdicts, refusal, hold, change, weigh };
}

const honeyTotalG = ({ honeys }: Pick<MustPlan, 'honeys'>): number => honeys.reduce((sum, honey) => sum + honey.massG, 0);
