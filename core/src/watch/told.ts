import type { BatchEvent, StandingEvent } from '../record/index.ts';
import { BASE_SALTS, nutrientOf } from '../record/index.ts';
import { brix, gPerL, gravity, massG, mgPerL, mm, phValue, say, tempC, volumeL, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { cureTold } from './stall/index.ts';

const REASONS = { sample: 'taken as a sample', foam: 'foamed over', spill: 'lost', lees: 'left on the lees' } as const;

function readingSentence(reading: Extract<StandingEvent, { kind: 'reading' }>['payload']): Sentence {
  const { instrument, sg, brix: bx, tempC: warm, ph, taGPerL, freeSo2MgPerL, leesMm } = reading;
  const parts: Sentence[] = [];
  if (sg !== undefined)
    parts.push(instrument === undefined || instrument === 'hydrometer' ? say`${gravity(sg)}` : say`${gravity(sg)} by ${instrument}`);
  if (bx !== undefined) parts.push(say`refractometer ${brix(bx)}`);
  if (ph !== undefined) parts.push(say`pH ${phValue(ph)}`);
  if (taGPerL !== undefined) parts.push(say`acid ${gPerL(taGPerL)}`);
  if (freeSo2MgPerL !== undefined) parts.push(say`free SO₂ ${mgPerL(freeSo2MgPerL)}`);
  if (leesMm !== undefined) parts.push(say`lees ${mm(leesMm)}`);
  const told = parts.flatMap((part, i) => (i === 0 ? part : [', ', ...part]));
  if (warm === undefined) return told;
  return told.length === 0 ? say`${tempC(warm)}` : [...told, ...say` at ${tempC(warm)}`];
}

/** A honey by its name; “linden” alone would not say what it is. */
export const honeyName = (name: string): string => (/honey/i.test(name) ? name : `${name} honey`);

/** An event as one line of the log. */
export function eventSentence(event: BatchEvent): Sentence {
  switch (event.kind) {
    case 'honey':
      return say`poured ${massG(event.payload.massG)} ${honeyName(event.payload.name)}`;
    case 'ingredient':
      return say`poured ${massG(event.payload.massG)} ${event.payload.name}`;
    case 'strain':
      return say`lifted ${massG(event.payload.massG)} of pulp out`;
    case 'transferIn':
      return say`took over ${volumeL(event.payload.volumeL)} from ${event.payload.fromName}`;
    case 'transferOut':
      return say`${volumeL(event.payload.volumeL)} went into ${event.payload.toName}`;
    case 'water':
      return say`poured ${volumeL(event.payload.volumeL)} water`;
    case 'yeast':
      return say`pitched ${massG(event.payload.massG)} ${event.payload.name}`;
    case 'nutrient':
      return say`fed ${massG(event.payload.massG)} ${nutrientOf(event.payload).name}`;
    case 'sulfite':
      return say`${massG(event.payload.massG)} ${event.payload.salt} metabisulfite`;
    case 'base':
      return say`${massG(event.payload.massG)} ${BASE_SALTS[event.payload.salt].name}`;
    case 'sorbate':
      return say`${massG(event.payload.massG)} potassium sorbate`;
    case 'removal':
      return say`${volumeL(event.payload.volumeL)} ${REASONS[event.payload.reason]}`;
    case 'reading':
      return readingSentence(event.payload);
    case 'rack':
      return say`racked, ${volumeL(event.payload.volumeL)} left`;
    case 'bottling':
      return [`bottled ${event.payload.bottles.map(({ count, sizeMl }) => `${count} × ${sizeMl} ml`).join(', ')}`];
    case 'finding':
      return [
        `looked: ${event.payload.cause === 'addition' ? 'what went in' : event.payload.cause}, ${event.payload.holds ? 'it is so' : 'it is not so'}`,
      ];
    case 'cure':
      return cureTold(event.payload);
    case 'putOff':
      return event.payload.until === undefined
        ? [`left for good: ${event.payload.told} (${event.payload.reason ?? ''})`]
        : say`put off until ${when(event.payload.until)}: ${event.payload.told}`;
    case 'restart':
      return say`began a starter for ${volumeL(event.payload.volumeL)} at ${gravity(event.payload.sg)}`;
    case 'restartStep':
      return [`starter: step ${event.payload.index + 1} done`];
    case 'staysHere':
      return ['it stays here, by your word'];
    case 'note':
      return [event.payload.text];
    case 'amendment':
      return [event.payload.replacement === null ? 'took an entry back' : 'corrected an entry'];
  }
}
