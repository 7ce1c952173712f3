import type { Forecast, ForecastInput } from '@hollow-bell/core/course';
import { describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, shallowRef } from 'vue';
import { useForecast } from './useForecast.ts';

interface Question {
  seed: number;
  report: (share: number) => void;
  answer: (found: Forecast | null) => void;
  refuse: (why: Error) => void;
}

/** A worker of which the test decides when it answers. */
function begin(first: number | null) {
  const questions: Question[] = [];
  const terminate = vi.fn();
  const wish = (seed: number | null) => (seed === null ? null : ({ seed } as ForecastInput));
  const input = shallowRef(wish(first));
  const scope = effectScope();
  const shown = scope.run(() =>
    useForecast(input, () => ({
      worker: { terminate },
      remote: {
        forecast: (({ seed }: ForecastInput, report: (share: number) => void) =>
          new Promise<Forecast | null>((answer, refuse) => questions.push({ seed, report, answer, refuse }))) as never,
      },
    })),
  )!;
  const ask = async (seed: number | null): Promise<void> => {
    input.value = wish(seed);
    await nextTick();
  };
  const settle = async (): Promise<void> => {
    await Promise.resolve();
    await nextTick();
  };
  return { questions, terminate, shown, ask, settle, scope };
}
const found = (stickProbability: number) => ({ stickProbability }) as Forecast;

describe('the forecast in its worker', () => {
  it('tells its progress until it has answered, and not when word of it comes late', async () => {
    const { questions, shown, settle } = begin(1);
    questions[0]!.report(0.47);
    expect(shown.progress.value, 'in whole tenths').toBe(0.4);
    questions[0]!.answer(found(0.1));
    await settle();
    questions[0]!.report(0.98);
    expect(shown.progress.value).toBeNull();
    expect(shown.answer.value?.forecast).toEqual(found(0.1));
  });

  it('shows only the answer to the newest question, whichever comes first', async () => {
    const { questions, shown, ask, settle } = begin(1);
    await ask(2);
    questions[1]!.answer(found(0.2));
    questions[0]!.answer(found(0.1));
    await settle();
    expect(questions.map(({ seed }) => seed)).toEqual([1, 2]);
    expect(shown.answer.value).toEqual({ forecast: found(0.2), input: { seed: 2 } });
  });

  it('says that it failed, and begins afresh when asked again', async () => {
    const { questions, terminate, shown, settle } = begin(1);
    questions[0]!.refuse(new Error('gone'));
    await settle();
    expect(shown.hasFailed.value).toBe(true);
    expect(terminate).toHaveBeenCalledOnce();
    void shown.again();
    expect(shown.hasFailed.value).toBe(false);
    questions[1]!.answer(found(0.3));
    await settle();
    expect(shown.answer.value?.forecast).toEqual(found(0.3));
  });

  it('shows none where there is nothing to ask, and ends its worker with the view', async () => {
    const { questions, shown, ask, settle, scope, terminate } = begin(1);
    await ask(null);
    questions[0]!.answer(found(0.1));
    await settle();
    expect(shown.answer.value).toBeNull();
    expect(shown.progress.value).toBeNull();
    scope.stop();
    expect(terminate).toHaveBeenCalledOnce();
  });
});
