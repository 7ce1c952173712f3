/* What heat does to what lives in a mead: pasteurization units, how its core follows the bath, and what a heating has come to. */
export { holdMinutes, lethalRate, unitsOf } from './lethal.ts';
export { HEAT_TRANSFER, bathMinutesFor, coreAfterC, cylinderLagMin, heatCycle, lagFromReading, minutesUntilCore } from './lag.ts';
export {
  HOLDS_MIN,
  HOLD_FROM_C,
  HOLD_STOP_C,
  LOG_STALLS_MIN,
  THERMOMETER_PLUS_MINUS_C,
  heldOf,
  isHeld,
  isUnderHeat,
  lastHeating,
} from './held.ts';
export type { CoreReading, Held } from './held.ts';
export { POT_C, isCoreJump } from './pot.ts';
