import type { Ask, Bell } from './ask.ts';

const BELL_ORDER: Record<Bell, number> = { cracked: 0, swinging: 1, muffled: 2, still: 3 };

/** What waits does no harm yet: it comes in the order of its time. */
const harmOf = ({ harm, bell }: Ask): number => (bell === 'muffled' || bell === 'still' ? 0 : harm);

/** Cracked before swinging before waiting before well; within a kind, by the harm of waiting, then what was due first. */
export const byUrgency = (a: Ask, b: Ask): number => BELL_ORDER[a.bell] - BELL_ORDER[b.bell] || harmOf(a) - harmOf(b) || a.dueAt - b.dueAt;
