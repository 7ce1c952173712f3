import { choice, flag, id, list, maybe, orNull, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure } from './batches.ts';

/** Who may do what: a maker everything, a guest may look. */
const ROLES = ['maker', 'guest'] as const;
export type Role = (typeof ROLES)[number];
const role = choice(...ROLES);

/** Whoever sits at the machine itself needs no way in; `nobody` stands before the door. */
export const visitorShape = record({ as: choice('nobody', 'machine', ...ROLES), name: orNull(text(60)) });
export type Visitor = Fit<typeof visitorShape>;

const sessionShape = record({
  id,
  name: text(60),
  role,
  since: figure,
  seenAt: figure,
  address: text(100),
  isYours: flag,
});
export type Session = Fit<typeof sessionShape>;

/** The ways into the house: none where it listens on this machine only. */
export const doorsShape = record({
  hasPassphrase: flag,
  /** What a phone is told to go to, best first; empty where nobody listens in the house. */
  addresses: list(text(300), 0, 50),
  /** Of the authority that signed the certificate, SHA-256; none where the certificate is the maker's own. */
  fingerprint: orNull(text(200)),
  sessions: list(sessionShape, 0, 10_000),
});
export type Doors = Fit<typeof doorsShape>;

export const PASSPHRASE_LEAST = 12;
const passphrase = text(200, { whenMissing: 'The passphrase is missing.', whenLong: 'A passphrase has at most 200 signs.' });
export const newPassphraseShape = record(
  { passphrase },
  {
    holds: ({ passphrase: given }) => given.trim().length >= PASSPHRASE_LEAST,
    says: `A passphrase has at least ${PASSPHRASE_LEAST} signs; four words that do not belong together are easily kept.`,
  },
);
const deviceName = text(60, { whenMissing: 'The device needs a name.', whenLong: 'A name has at most 60 letters.' });
export const signInShape = record({ passphrase, device: deviceName });
export const pairShape = record({ code: text(20, { whenMissing: 'The code is missing.' }), device: deviceName });
export const newCodeShape = record({ role });
/** Good once, and not for long. */
export const codeShape = record({ code: text(20), role, until: figure, link: maybe(text(400)) });
export type PairingCode = Fit<typeof codeShape>;
