import { randomUUID } from 'node:crypto';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney } from '@hollow-bell/core/must';

const HOUR_MS = 3_600_000;
const HONEYS = ['linden', 'heather', 'acacia', 'forest'];

/** A club’s cellar: so many musts, each pitched a while ago. */
export async function fillClub(url: string, count: number): Promise<void> {
  const send = async (path: string, method: string, body: object): Promise<void> => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!response.ok) throw new Error(await response.text());
  };
  await send('/practice', 'PUT', DEFAULT_PRACTICE);
  const { moisture, unfermentable } = MEAN_HONEY;
  for (let i = 0; i < count; i++) {
    const [id, honey] = [randomUUID(), HONEYS[i % HONEYS.length]!];
    await send('/batches', 'POST', {
      id,
      name: `${honey} ${i + 1}`,
      plan: { must: planOf([plannedHoney(honey, 1300)], 4), practice: DEFAULT_PRACTICE },
    });
    const at = Date.now() - (i + 2) * 30 * HOUR_MS;
    const events = [
      { kind: 'honey', payload: { name: honey, massG: 1300, moisture, unfermentable } },
      { kind: 'water', payload: { volumeL: 3.2 } },
      { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 5 } },
    ].map((event) => ({ ...event, id: randomUUID(), happenedAt: at }));
    await send(`/batches/${id}/events`, 'POST', { afterSeq: 0, events });
  }
}
