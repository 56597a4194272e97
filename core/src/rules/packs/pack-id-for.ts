import { isAmerican, type Supply } from '../../electric/index.js';
import type { Parties } from '../../house/index.js';
import type { Code } from './code.schema.js';
import type { PackId, PackValues } from './pack.js';
import { packValues } from './data/pack-values.js';

/** What decides which code holds. */
export interface UnderCode {
  readonly supply: Pick<Supply, 'system'>;
  readonly parties: Pick<Parties, 'country' | 'codeEdition'>;
  readonly code: Code;
}

const places: readonly (readonly [PackId, RegExp])[] = [
  ['au-nz', /austral|zealand|aotearoa|^nz$|^au$/i],
  ['uk', /kingdom|britain|england|scotland|wales|^uk$|^gb$/i],
];

/** The pack a job is judged by: chosen, else the one of its country, edition and supply. */
export function packIdFor({ supply, parties, code }: UnderCode): PackId {
  if (code.packId !== null) return code.packId;
  if (isAmerican(supply.system)) return /2020/.test(parties.codeEdition) ? 'us-2020' : 'us-2023';
  return places.find(([, pattern]) => pattern.test(parties.country.trim()))?.[0] ?? 'iec';
}

/** What calculations ask of the code that holds. */
export const codeValues = (under: UnderCode): PackValues => packValues[packIdFor(under)];
