import { judgeRun, rehearse, runScene } from '@hollow-bell/core/chalk';
import type { Deed, Rehearsal, Rehearsed, Run, Scene, TroubleId, Verdict } from '@hollow-bell/core/chalk';
import { expose } from 'comlink';

const api = {
  run: (scene: Scene, deeds: readonly Deed[], untilH: number): Run => runScene(scene, deeds, untilH),
  judge: (scene: Scene, deeds: readonly Deed[], untilH: number, named: TroubleId | null): Verdict => judgeRun(scene, deeds, untilH, named),
  rehearse: (plan: Rehearsed, seed: number): Rehearsal => rehearse(plan, seed),
};
export type ChalkWorker = typeof api;

expose(api);
