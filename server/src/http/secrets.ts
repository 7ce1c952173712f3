import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify<string, Buffer, number, { N: number; r: number; p: number; maxmem: number }, Buffer>(scrypt);

/** Cost of scrypt: 32 MB and about a tenth of a second for each guess. Kept with each hash, so that it can be raised. */
const LOG_N = 15;
const BLOCK = 8;
const LENGTH = 32;
const MAX_MEMORY = 128 * 1024 * 1024;

const derived = (passphrase: string, salt: Buffer, logN: number): Promise<Buffer> =>
  derive(passphrase.normalize('NFKC'), salt, LENGTH, { N: 2 ** logN, r: BLOCK, p: 1, maxmem: MAX_MEMORY });

/** A passphrase as it is kept. */
export async function keptPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  return ['scrypt', LOG_N, salt.toString('base64url'), (await derived(passphrase, salt, LOG_N)).toString('base64url')].join('$');
}

/** In a time that says nothing of how much of it was right. */
export async function isPassphrase(given: string, kept: string): Promise<boolean> {
  const [, logN, salt, hash] = kept.split('$');
  const wanted = Buffer.from(hash ?? '', 'base64url');
  const made = await derived(given, Buffer.from(salt ?? '', 'base64url'), Number(logN));
  return made.length === wanted.length && timingSafeEqual(made, wanted);
}

/** Tokens are long and random, so a plain hash keeps them as safe as a slow one would. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
export const newToken = (): string => randomBytes(32).toString('base64url');

/** Without signs that are taken for one another. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
/** 40 bits: not to be guessed within ten minutes, short enough to be typed. */
export const newCode = (): string => Array.from({ length: 8 }, () => SIGNS[randomInt(SIGNS.length)]).join('');
/** As typed: without blanks, dashes and small letters. */
export const codeTyped = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
