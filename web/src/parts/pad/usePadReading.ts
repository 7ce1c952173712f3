import { TypedRefusal, Refusal } from '@hollow-bell/core/quantities';
import type { FieldKind, Offer, Ranged, Sentence } from '@hollow-bell/core/quantities';
import { courseOf } from '@hollow-bell/core/feed';
import { gravityRead, makeReading } from '@hollow-bell/core/record';
import type { GravityRead } from '@hollow-bell/core/record';
import { besideExpected, expectedGravity, traitsOf } from '@hollow-bell/core/watch';
import { fieldText } from '@hollow-bell/tell';
import { NOTHING_PRESSED, beginningsNear, pressedText, readPressed } from '@hollow-bell/tell/pad';
import type { Pressed } from '@hollow-bell/tell/pad';
import { computed, reactive, ref } from 'vue';
import type { Ref } from 'vue';
import { useInstruments } from '../../composables/useInstruments.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

export type PadField = 'sg' | 'tempC' | 'ph' | 'brix';
const KINDS: Record<PadField, FieldKind> = { sg: 'sg', tempC: 'temp', ph: 'ph', brix: 'brix' };
/** Where the keys of a pH begin before one was read: the middle of what meads have (our estimate). */
const USUAL_PH = 3.5;
const NAMED: Record<PadField, string> = { sg: 'Gravity', tempC: 'The sample', ph: 'The pH', brix: 'The refractometer' };

/** What the pressed keys mean for the open batch: as a reading, in words, or why not with what may have been meant. */
export interface Understood {
  payload: ReturnType<typeof makeReading> | null;
  read: GravityRead | null;
  beside: Sentence;
  doubts: Sentence[];
  said: Sentence;
  offers: readonly Offer[];
  /** The field that is refused. */
  field: PadField | null;
}
const NOTHING: Understood = { payload: null, read: null, beside: [], doubts: [], said: [], offers: [], field: null };

/** @param at when it was read, ms since 1970 UTC; null is now */
export function usePadReading(at: Ref<number | null>) {
  const store = useBatch();
  const instruments = useInstruments();
  const { typedBy, reader, number } = useReader();
  const here = ref<PadField>('sg');
  const pressed = reactive<Record<PadField, Pressed>>({
    sg: { ...NOTHING_PRESSED },
    tempC: { ...NOTHING_PRESSED },
    ph: { ...NOTHING_PRESSED },
    brix: { ...NOTHING_PRESSED },
  });

  const readAt = computed(() => at.value ?? reader.value.now);
  /** The one before it: a reading of yesterday is not held against one of today. */
  const last = computed(
    () => store.ledger.history.readings.findLast(({ verdict, at: then }) => verdict === 'follows' && then <= readAt.value) ?? null,
  );
  /** While it ferments its course says what to expect; before and after, what it stands at. */
  const expected = computed((): Ranged | null => {
    if (traitsOf(store.state.phase).ferments !== true || store.feeding === null) return null;
    const course = courseOf(store.feeding, store.ledger);
    return course === null ? null : expectedGravity(course, store.ledger, readAt.value);
  });
  const near = computed<Record<PadField, number | null>>(() => ({
    sg: expected.value?.value ?? last.value?.sg ?? store.view?.sg ?? null,
    ph: store.ledger.history.ph?.value ?? USUAL_PH,
    tempC: null,
    brix: null,
  }));
  const beginnings = computed(() => beginningsNear(KINDS[here.value], near.value[here.value], typedBy.value));
  /** What stands ready counts as begun, until something else is pressed. */
  const begun = (field: PadField): Pressed => {
    const now = pressed[field];
    return now.isChosen || now.begins !== ''
      ? now
      : { ...now, begins: beginningsNear(KINDS[field], near.value[field], typedBy.value).ready };
  };

  const digit = (sign: string): void => {
    const now = begun(here.value);
    if (now.digits.length < 8) pressed[here.value] = { ...now, digits: now.digits + sign };
  };
  const begin = (begins: string): void => {
    pressed[here.value] = { begins, isChosen: true, digits: '' };
  };
  function erase(): void {
    const { digits, ...rest } = pressed[here.value];
    pressed[here.value] = digits === '' ? { ...NOTHING_PRESSED } : { ...rest, digits: digits.slice(0, -1) };
  }
  /** What was meant stands as if it had been typed whole, in this maker’s unit; half a mark keeps its fourth decimal. */
  function take(field: PadField, { value }: Offer): void {
    const isHalf = field === 'sg' && Math.abs(value - Math.round(value * 1000) / 1000) > 1e-6;
    const digits = isHalf ? number(value, 4) : fieldText(KINDS[field], value, typedBy.value);
    pressed[field] = { ...NOTHING_PRESSED, digits };
    here.value = field;
  }
  const empty = (): void => {
    for (const field of Object.keys(pressed) as PadField[]) pressed[field] = { ...NOTHING_PRESSED };
    here.value = 'sg';
  };

  const understood = computed((): Understood => {
    const seen: Partial<Record<PadField, number>> = {};
    for (const field of Object.keys(KINDS) as PadField[]) {
      try {
        const value = readPressed(KINDS[field], NAMED[field], begun(field), typedBy.value);
        if (value !== null) seen[field] = value;
      } catch (error) {
        if (!(error instanceof TypedRefusal)) throw error;
        return { ...NOTHING, said: error.said, offers: error.offers, field };
      }
    }
    if (Object.keys(seen).length === 0) return NOTHING;
    try {
      const payload = makeReading(seen, instruments.value);
      const read = gravityRead(store.ledger, payload);
      const beside = read === null ? [] : besideExpected(read, expected.value, last.value);
      return { ...NOTHING, payload, read, beside, doubts: store.doubtsOf([{ kind: 'reading', payload }], readAt.value) };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return { ...NOTHING, said: error.said };
    }
  });

  return {
    here,
    beginnings,
    understood,
    expected,
    last,
    near,
    digit,
    begin,
    erase,
    take,
    empty,
    begunOf: begun,
    textOf: (field: PadField): string => (pressed[field].digits === '' ? '' : pressedText(pressed[field])),
  };
}
