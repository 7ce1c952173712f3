/** A struck bell: hum, prime, tierce, quint and nominal by their usual ratios, each with how loud it is and how long it sounds, s. */
const PARTIALS: readonly (readonly [ratio: number, loud: number, longS: number])[] = [
  [0.5, 0.5, 2.6],
  [1, 1, 2.2],
  [1.2, 0.6, 1.5],
  [1.5, 0.35, 1.1],
  [2, 0.7, 0.9],
];
const PRIME_HZ = 587;
const STROKES_S = [0, 1.1, 2.2, 5, 6.1, 7.2];

/** One for all timers; a browser lets it sound once something was pressed. */
let shared: AudioContext | null = null;

/**
 * Lays six strokes into the sound card's own clock: they ring on time where a hidden page is put to sleep.
 * @param inS seconds from now
 * @returns what silences it, before and while it rings
 */
export function bellIn(inS: number): () => void {
  if (typeof AudioContext === 'undefined') return () => undefined;
  const context = (shared ??= new AudioContext());
  void context.resume();
  const all = context.createGain();
  all.gain.value = 0.25;
  all.connect(context.destination);
  const sounding = STROKES_S.flatMap((strokeS) =>
    PARTIALS.map(([ratio, loud, longS]) => {
      const sound = new OscillatorNode(context, { frequency: PRIME_HZ * ratio });
      const fall = context.createGain();
      const at = context.currentTime + inS + strokeS;
      fall.gain.setValueAtTime(loud, at);
      fall.gain.exponentialRampToValueAtTime(0.001, at + longS);
      sound.connect(fall).connect(all);
      sound.start(at);
      sound.stop(at + longS);
      return sound;
    }),
  );
  return () => {
    for (const sound of sounding) sound.stop();
    all.disconnect();
  };
}
