import { CLOCK_SLACK_MS } from '@hollow-bell/core/record';

/**
 * Watches the clock on the wall against the time since the machine started, which no setting of the clock moves, nor a machine that sleeps.
 *
 * @param now ms since 1970 UTC
 * @param uptimeMs since the machine started
 */
export function clockWatch(now: () => number, uptimeMs: () => number) {
  const startedAt = now() - uptimeMs();
  return {
    /** How far it was set forward, or back where negative, since this program started, ms; 0 where it only drifted. */
    movedMs: (): number => {
      const by = now() - uptimeMs() - startedAt;
      return Math.abs(by) > CLOCK_SLACK_MS ? by : 0;
    },
  };
}
