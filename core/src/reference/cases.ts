import cases from './cases.json' with { type: 'json' };

type Numbers = Record<string, number>;

/** A published or independently computed value to test against. */
interface ReferenceCase {
  id: string;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- the inputs differ from function to function
  inputs: any;
  source: string;
  /** What is wrong with an answer; empty when it holds within this share of the tolerance, all of it where not given. */
  differences(answer: () => unknown, withinShare?: number): string[];
}

/** The cases of one function. Cases of low certainty are hints and held to their own wide tolerance. Throws where there is none. */
export function referenceCases(functionName: string): ReferenceCase[] {
  const found = cases.filter((c) => c.function === functionName);
  if (found.length === 0) throw new Error(`no reference case for ${functionName}`);
  return found.map((c) => ({
    id: c.id,
    inputs: c.inputs,
    source: c.source,
    differences: (answer, withinShare = 1) => differences(answer, c.expected, c.tolerance, withinShare),
  }));
}

function differences(answer: () => unknown, expected: unknown, tolerance: unknown, share: number): string[] {
  const wantsRefusal = typeof expected === 'object' && expected !== null && 'error' in expected;
  let got: unknown;
  try {
    got = answer();
  } catch (error) {
    return wantsRefusal ? [] : [`refused: ${String(error)}`];
  }
  if (wantsRefusal) return [`should have been refused, gave ${JSON.stringify(got)}`];
  if (typeof expected === 'number') return difference('value', got as number, expected, share * (tolerance as number));
  return Object.entries(expected as Numbers).flatMap(([name, value]) =>
    difference(name, (got as Numbers)[name]!, value, share * (tolerance as Numbers)[name]!),
  );
}

function difference(name: string, got: number, expected: number | boolean, tolerance: number): string[] {
  if (typeof expected === 'boolean') return got === (expected as unknown) ? [] : [`${name}: ${got}, not ${expected}`];
  return Math.abs(got - expected) <= tolerance + 1e-12 ? [] : [`${name}: ${got}, not ${expected} ± ${tolerance}`];
}
