/** What mead or water in a pot can read, °C. */
export const POT_C = { low: 0, high: 100 } as const;

/** A core moves slowly: faster than this, °C a minute and so much beside it, it is another place in the pot or another scale (our estimates). */
const FASTEST_CORE = { cPerMin: 6, slackC: 3 } as const;

/** Whether no core can have gone from the one to the other in so many minutes. */
export const isCoreJump = (fromC: number, toC: number, minutes: number): boolean =>
  Math.abs(toC - fromC) > FASTEST_CORE.slackC + FASTEST_CORE.cPerMin * minutes;
