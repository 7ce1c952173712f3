/**
 * Runs all parts, so many at a time, in their order; what needs a database is passed over until there is one.
 *
 * @template Part, Result
 * @param {(Part & {needsDatabase?: boolean})[]} parts
 * @param {{lanes: number, ready: Promise<unknown>, run: (part: Part) => Promise<Result>}} how
 * @returns {Promise<Result[]>} in the order in which they ended
 * @throws what `ready` throws, when what does not wait for it has ended
 */
export async function runInLanes(parts, { lanes, ready, run }) {
  const waiting = [...parts];
  const results = [];
  let isReady = false;
  const opened = ready.then(() => (isReady = true));
  opened.catch(() => undefined);
  const work = async () => {
    while (waiting.length > 0) {
      const next = waiting.findIndex((part) => isReady || !part.needsDatabase);
      if (next === -1) await opened;
      else results.push(await run(...waiting.splice(next, 1)));
    }
  };
  await Promise.all(Array.from({ length: lanes }, work));
  return results;
}
