import { CHALK_START, DRILL_ENDS_AT_H, LESSONS, deedsAsText, deedsFromText, drillOf } from '@hollow-bell/core/chalk';
import type { Deed, Depth, Run, TroubleId, Verdict } from '@hollow-bell/core/chalk';
import { HOUR_MS, Refusal } from '@hollow-bell/core/quantities';
import { fold } from '@hollow-bell/core/record';
import { stateOf } from '@hollow-bell/core/watch';
import { useRafFn } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { plain, useChalkWorker } from './useChalkWorker.ts';

/** Hours of a must in a second of time. */
export const SPEEDS = [
  { perSecondH: 0, label: 'stop' },
  { perSecondH: 6, label: '6 hours' },
  { perSecondH: 24, label: '1 day' },
  { perSecondH: 72, label: '3 days' },
] as const;
const DAY_H = 24;
const USUAL_SPEED = 24;
const one = (value: unknown): string | null => (typeof value === 'string' ? value : null);

/** A must on the chalk floor, by the page's address: which one it is and what was done to it. Nothing of it is in the cellar. */
export function useChalk() {
  const route = useRoute();
  const router = useRouter();
  const worker = useChalkWorker();

  const lesson = computed(() => LESSONS.find(({ id }) => id === one(route.query['lesson'])) ?? null);
  const seed = computed(() => Math.min(999_999, Math.max(1, Number(one(route.query['drill'])) || 1)));
  const depth = computed((): Depth => (one(route.query['depth']) === '3' ? 3 : one(route.query['depth']) === '2' ? 2 : 1));
  const isDrill = computed(() => one(route.query['drill']) !== null);
  const scene = computed(() => (isDrill.value ? drillOf(seed.value, depth.value) : (lesson.value ?? LESSONS[0])?.scene) ?? drillOf(1, 1));
  const endsAtH = computed(() => (isDrill.value ? DRILL_ENDS_AT_H : ((lesson.value ?? LESSONS[0])?.endsAtH ?? DRILL_ENDS_AT_H)));

  const deeds = shallowRef<Deed[]>([]);
  /** What stands in the address and is no run. */
  const problem = ref('');
  const hour = ref(0);
  const speed = ref(0);
  const run = shallowRef<Run | null>(null);
  const verdict = shallowRef<Verdict | null>(null);
  const named = ref<TroubleId | null>(null);
  let asked = 0;

  async function reckon(): Promise<void> {
    const mine = ++asked;
    const answer = await worker().run(plain(scene.value), plain(deeds.value), endsAtH.value);
    if (mine === asked) run.value = answer;
  }
  const address = computed(() => [one(route.query['lesson']), one(route.query['drill']), one(route.query['depth'])].join(' '));
  watch(
    address,
    () => {
      [speed.value, run.value, verdict.value, named.value, problem.value] = [0, null, null, null, ''];
      try {
        deeds.value = deedsFromText(one(route.query['run']) ?? '');
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        problem.value = `${error.message} It begins anew.`;
        deeds.value = [];
      }
      hour.value = deeds.value.at(-1)?.hour ?? 0;
      void reckon();
    },
    { immediate: true },
  );

  /** Whoever works stands at the vessel, and time stands with them. */
  async function act(does: Deed['does'], amount?: number): Promise<void> {
    if (verdict.value !== null) return;
    speed.value = 0;
    const at = Math.round(hour.value * 4) / 4;
    hour.value = at;
    /** Played again day by day, what was done later is done otherwise now. */
    const before = deeds.value.filter((deed) => deed.hour <= at);
    deeds.value = [...before, { hour: at, does, ...(amount === undefined ? {} : { amount }) }];
    await router.replace({ query: { ...route.query, run: deedsAsText(deeds.value) } });
    await reckon();
  }
  /** The last thing that was done, undone: here one may. */
  async function takeBack(): Promise<void> {
    if (deeds.value.length === 0) return;
    deeds.value = deeds.value.slice(0, -1);
    hour.value = Math.max(hour.value, deeds.value.at(-1)?.hour ?? 0);
    await router.replace({ query: { ...route.query, run: deedsAsText(deeds.value) } });
    await reckon();
  }

  /** Goes on, to the next thing that calls one to the vessel. */
  function goOn(byH: number): void {
    const until = Math.min(endsAtH.value, hour.value + byH);
    const call = run.value?.stops.find((stop) => stop.hour > hour.value && stop.hour <= until);
    hour.value = call?.hour ?? until;
    if (call !== undefined || until >= endsAtH.value) speed.value = 0;
  }
  useRafFn(({ delta }) => {
    if (speed.value > 0 && run.value !== null && verdict.value === null) goOn((speed.value * Math.min(100, delta)) / 1000);
  });
  const dayOn = (): void => {
    if (verdict.value === null && run.value !== null) goOn(DAY_H);
  };
  const toggle = (): void => {
    speed.value = speed.value > 0 ? 0 : USUAL_SPEED;
  };

  async function judge(): Promise<void> {
    speed.value = 0;
    verdict.value = await worker().judge(plain(scene.value), plain(deeds.value), endsAtH.value, named.value);
  }
  /** The same deeds, seen once more from the pitch on. */
  function dayByDay(): void {
    [hour.value, verdict.value] = [0, null];
  }
  async function again(): Promise<void> {
    [deeds.value, hour.value, verdict.value, named.value] = [[], 0, null, null];
    await router.replace({ query: { ...route.query, run: undefined } });
    await reckon();
  }

  const found = computed(() => (run.value?.found ?? []).filter((each) => each.hour <= hour.value));
  const stops = computed(() => (run.value?.stops ?? []).filter((each) => each.hour <= hour.value));
  /** What the program reads in the learner's book, and in nothing else. */
  const ledger = computed(() => fold((run.value?.book ?? []).filter(({ happenedAt }) => happenedAt <= CHALK_START + hour.value * HOUR_MS)));
  const state = computed(() => stateOf(ledger.value, CHALK_START + hour.value * HOUR_MS));
  const readings = computed(() =>
    ledger.value.history.readings.flatMap(({ at, sg }) => (at > CHALK_START ? [{ hour: (at - CHALK_START) / HOUR_MS, sg }] : [])),
  );
  const last = computed(() => found.value.findLast(({ senses }) => senses !== null)?.senses ?? null);
  const isClosed = computed(() => deeds.value.some(({ does, hour: at }) => (does === 'bottle' || does === 'prime') && at <= hour.value));

  return {
    lesson,
    isDrill,
    seed,
    depth,
    scene,
    endsAtH,
    deeds,
    problem,
    hour,
    speed,
    run,
    verdict,
    named,
    found,
    stops,
    ledger,
    state,
    readings,
    last,
    isClosed,
    act,
    takeBack,
    dayOn,
    toggle,
    judge,
    dayByDay,
    again,
  };
}
