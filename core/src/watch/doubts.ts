import { fedSugarAt, gravityRead, sgAtShare } from '../record/index.ts';
import type { GravityRead, Ledger, Payloads, ReadingPoint } from '../record/index.ts';
import { DAY_MS, MINUTE_MS, gravity, phValue, points, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';

/** Readings this far apart, in units of both instruments' errors, want a word (our estimate). */
const BEYOND_ERRORS = 1.5;
/** The fastest that a must of ours may fall: a third of a strong one in a day; less than the other is never asked about (our estimates). */
const FASTEST_SG_PER_DAY = 0.04;
const NEVER_ASKED_SG = 0.015;
/** Below where the last gram of sugar is gone by more than this, a gravity is a slip, SG. */
const BELOW_DRY_SG = 0.005;
/** pH moves slowly; a jump of so much between two readings is a meter's more often than a must's (our estimate). */
const PH_JUMP = 0.5;
const PH_JUMP_DAYS = 3;

const daysBetween = (a: number, b: number): number => Math.abs(a - b) / DAY_MS;

function riseDoubt(read: GravityRead, before: ReadingPoint, at: number, ledger: Ledger): Sentence | null {
  const risen = read.sg - before.sg;
  const sweetened = fedSugarAt(ledger, at);
  if (risen <= BEYOND_ERRORS * Math.hypot(read.plusMinus, before.plusMinus) || (sweetened !== null && sweetened >= before.at)) return null;
  const other = read.instrument === before.instrument ? 'another instrument' : `the ${read.instrument} against the ${before.instrument}`;
  return say`Up ${points(1000 * risen)} since ${when(before.at)}: unmixed honey, ${other}, or a slip?`;
}

function fallDoubt(read: GravityRead, before: ReadingPoint, at: number): Sentence | null {
  const fallen = before.sg - read.sg;
  if (fallen < NEVER_ASKED_SG || fallen < FASTEST_SG_PER_DAY * daysBetween(at, before.at)) return null;
  return say`Down ${points(1000 * fallen)} since ${when(before.at)}, faster than musts fall: another vessel’s reading, or a slip?`;
}

function gravityDoubts(ledger: Ledger, read: GravityRead, at: number): Sentence[] {
  const doubts: (Sentence | null)[] = [];
  const { pitch, readings } = ledger.history;
  const same = readings.find((reading) => Math.abs(reading.at - at) < MINUTE_MS && reading.instrument === read.instrument);
  if (same !== undefined)
    return [
      Math.abs(same.sg - read.sg) < 5e-4
        ? say`The same gravity is on record for that minute already. Write it twice?`
        : say`${gravity(same.sg)} is on record for that minute. Both?`,
    ];
  if (pitch !== null && at < pitch.at)
    return [say`That is from before the yeast went in ${when(pitch.at)}: it will count as the must’s gravity.`];
  const before = readings.findLast((reading) => reading.at <= at && reading.verdict === 'follows');
  const after = readings.find((reading) => reading.at > at && reading.verdict === 'follows');
  if (pitch !== null && before !== undefined) doubts.push(riseDoubt(read, before, at, ledger), fallDoubt(read, before, at));
  if (pitch !== null && after !== undefined && after.sg - read.sg > BEYOND_ERRORS * Math.hypot(read.plusMinus, after.plusMinus))
    doubts.push(say`Later, ${when(after.at)}, it read ${gravity(after.sg)}, which is more. Is the time right?`);
  if (pitch !== null && read.sg < sgAtShare(ledger, 1) - BELOW_DRY_SG)
    doubts.push(
      say`With its last sugar gone this must would read about ${gravity(sgAtShare(ledger, 1))}; lower is a slip, or less honey went in.`,
    );
  return doubts.filter((doubt) => doubt !== null);
}

/**
 * What a careful friend would ask before a reading is written down; empty for a plain one. Nothing here refuses: the maker has
 * seen the glass.
 *
 * @param ledger of everything on record, whenever it happened
 * @throws Refusal where an instrument cannot show what was typed
 */
export function doubtsAbout(ledger: Ledger, reading: Payloads['reading'], at: number): Sentence[] {
  const read = gravityRead(ledger, reading);
  const doubts = read === null ? [] : gravityDoubts(ledger, read, at);
  const { ph } = ledger.history;
  if (reading.ph !== undefined && ph !== null && daysBetween(at, ph.at) <= PH_JUMP_DAYS && Math.abs(reading.ph - ph.value) > PH_JUMP)
    doubts.push(say`It read pH ${phValue(ph.value)} ${when(ph.at)}. Does the meter still agree with its buffers?`);
  return doubts;
}
