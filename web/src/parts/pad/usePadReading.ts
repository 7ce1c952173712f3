import { TypedRefusal, Refusal } from '@hollow-bell/core/quantities';
import type { FieldKind, Offer, Ranged, Sentence } from '@hollow-bell/core/quantities';
import { courseOf, feedingNow, weighedParts } from '@hollow-bell/core/feed';
import { fedEvent } from '@hollow-bell/core/nitrogen';
import { gravityRead, makeReading } from '@hollow-bell/core/record';
import type { EventContent, GravityRead } from '@hollow-bell/core/record';
import { besideExpected, expectedGravity, traitsOf } from '@hollow-bell/core/watch';
import { fieldText } from '@hollow-bell/tell';
import { NOTHING_PRESSED, beginningsNear, pressedText, readPressed } from '@hollow-bell/tell/pad';
import type { Pressed } from '@hollow-bell/tell/pad';
import { computed, reactive, ref } from 'vue';
import type { Ref } from 'vue';
import { useInstruments } from '../../composables/useInstruments.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** What a glass of the mead tells. */
const READ = ['sg', 'tempC', 'ph', 'brix'] as const;
type ReadField = (typeof READ)[number];
/** What goes out and in at the same visit: the sample that is kept out, and the powders of a dose that is due. */
export type PadField = ReadField | 'sampleL' | 'fed0' | 'fed1';
const KINDS: Record<PadField, FieldKind> = {
  sg: 'sg',
  tempC: 'temp',
  ph: 'ph',
  brix: 'brix',
  sampleL: 'volume',
  fed0: 'smallMass',
  fed1: 'smallMass',
};
const FED = ['fed0', 'fed1'] as const;
/** Where the keys of a pH begin before one was read: the middle of what meads have (our estimate). */
const USUAL_PH = 3.5;
const NAMED: Record<PadField, string> = {
  sg: 'Gravity',
  tempC: 'The sample',
  ph: 'The pH',
  brix: 'The refractometer',
  sampleL: 'What is kept out',
  fed0: 'The dose',
  fed1: 'The dose',
};

/** What the pressed keys mean for the open batch: as entries, in words, or why not with what may have been meant. */
export interface Understood {
  contents: EventContent[];
  read: GravityRead | null;
  beside: Sentence;
  doubts: Sentence[];
  said: Sentence;
  offers: readonly Offer[];
  /** The field that is refused. */
  field: PadField | null;
}
const NOTHING: Understood = { contents: [], read: null, beside: [], doubts: [], said: [], offers: [], field: null };

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
    sampleL: { ...NOTHING_PRESSED },
    fed0: { ...NOTHING_PRESSED },
    fed1: { ...NOTHING_PRESSED },
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
  const dueDose = computed(() =>
    store.feeding === null
      ? undefined
      : feedingNow(store.feeding, store.ledger, readAt.value).doses.find(({ state: how }) => how === 'due'),
  );
  /** A dose of more powders than the pad has fields for is written on Feed: half of it written here would pass for all of it. */
  const dueParts = computed(() => {
    const parts = weighedParts(dueDose.value);
    return parts.length <= FED.length ? parts : [];
  });
  const near = computed<Record<PadField, number | null>>(() => ({
    sg: expected.value?.value ?? last.value?.sg ?? store.view?.sg ?? null,
    ph: store.ledger.history.ph?.value ?? USUAL_PH,
    tempC: null,
    brix: null,
    sampleL: null,
    fed0: null,
    fed1: null,
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
      const isRead = READ.some((field) => seen[field] !== undefined);
      const payload = isRead ? makeReading(Object.fromEntries(READ.map((field) => [field, seen[field]])), instruments.value) : null;
      const read = payload === null ? null : gravityRead(store.ledger, payload);
      const contents: EventContent[] = [
        ...(payload === null ? [] : [{ kind: 'reading' as const, payload }]),
        ...(seen.sampleL === undefined
          ? []
          : [{ kind: 'removal' as const, payload: { volumeL: seen.sampleL, reason: 'sample' as const } }]),
        ...dueParts.value.flatMap(({ product }, i) => {
          const massG = seen[FED[i] ?? 'fed0'];
          return massG === undefined ? [] : [fedEvent({ product, massG }, dueDose.value?.dose.number)];
        }),
      ];
      const beside = read === null ? [] : besideExpected(read, expected.value, last.value);
      return { ...NOTHING, contents, read, beside, doubts: store.doubtsOf(contents, readAt.value) };
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
    dueParts,
    digit,
    begin,
    erase,
    take,
    empty,
    begunOf: begun,
    textOf: (field: PadField): string => (pressed[field].digits === '' ? '' : pressedText(pressed[field])),
  };
}
