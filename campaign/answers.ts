/* How a request ended, and what of that is a fault. */

interface Answer {
  status: number;
  retryAfter: string | null;
  text: string;
}
export type Ended = Answer | 'no answer' | 'cut off';

/** Longer than the program lets any request wait. */
export const HANGS_MS = 25_000;

const messageIn = (text: string): string => {
  try {
    const { message } = JSON.parse(text) as { message?: unknown };
    return typeof message === 'string' ? message : '';
  } catch {
    return '';
  }
};

/** What is wrong with how a well-formed request ended; null where nothing is. A 503 that says why, and when to come again, is an answer. */
export function faultIn(ended: Ended): string | null {
  if (typeof ended === 'string') return ended;
  const { status, retryAfter, text } = ended;
  if (status < 500) return null;
  const isSaid = status === 503 && /\S{2,}\s+\S+.*\.$/s.test(messageIn(text)) && Number(retryAfter) > 0;
  return isSaid ? null : `${status} “${text.slice(0, 80)}”`;
}

/** Sends one well-formed request and reads its answer to the end. */
export async function ask(
  address: string,
  method: string,
  path: string,
  body?: object,
  headers: Readonly<Record<string, string>> = {},
): Promise<Ended> {
  try {
    const answer = await fetch(`${address}/api${path}`, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(HANGS_MS),
    });
    return { status: answer.status, retryAfter: answer.headers.get('retry-after'), text: await answer.text() };
  } catch (error) {
    return error instanceof DOMException && error.name === 'TimeoutError' ? 'no answer' : 'cut off';
  }
}
