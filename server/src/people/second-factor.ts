import { randomBytes } from 'node:crypto';
import { digestOf } from '../blobs/blob-store.js';
import type { AccountRow } from './people-entities.js';

/** Codes by the clock after RFC 6238: six digits, thirty seconds; one that is one step early or late fits too. */
const stepS = 30;
const recoveryCodes = 10;

/** What of an account its second factor rests on. */
export type Factor = Pick<AccountRow, 'totpSecret' | 'totpStep' | 'recovery'>;

/** However it is typed. */
const recoveryDigest = (code: string): string => digestOf(code.replaceAll(/[\s-]/g, '').toLowerCase());

/** An account without a second factor. */
export const noFactor = { totpSecret: null, totpStep: 0, recovery: [] as string[] };

/** A new secret, in Base32, and the address an authenticator takes it by. */
export async function newSecret(email: string): Promise<{ readonly secret: string; readonly uri: string }> {
  const { generateSecret, generateURI } = await import('otplib');
  const secret = generateSecret();
  return { secret, uri: generateURI({ issuer: 'Levamen', label: email, secret }) };
}

/** The time step a code is of; null = it fits none, or not after the one that was used last. */
export async function stepOfCode(secret: string, code: string, after: number): Promise<number | null> {
  const { verify } = await import('otplib');
  const token = code.replaceAll(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const found = await verify({ secret, token, epochTolerance: stepS });
  if (!found.valid) return null;
  const step = 'timeStep' in found ? found.timeStep : 0;
  return step > after ? step : null;
}

/** Codes for the day the telephone is lost, each good once; and what is kept of them. */
export function newRecoveryCodes(): { readonly codes: readonly string[]; readonly digests: string[] } {
  const codes = Array.from({ length: recoveryCodes }, () => {
    const text = randomBytes(5).toString('hex');
    return `${text.slice(0, 5)}-${text.slice(5)}`;
  });
  return { codes, digests: codes.map(recoveryDigest) };
}

/**
 * What is left of a second factor once a code was used: a later step, or one recovery code less; null = the code is none of its.
 */
export async function usedUp(
  { totpSecret, totpStep, recovery }: Factor,
  code: string,
): Promise<Pick<Factor, 'totpStep' | 'recovery'> | null> {
  if (totpSecret === null) return null;
  const step = await stepOfCode(totpSecret, code, totpStep);
  if (step !== null) return { totpStep: step, recovery };
  const digest = recoveryDigest(code);
  return recovery.includes(digest) ? { totpStep, recovery: recovery.filter((one) => one !== digest) } : null;
}
