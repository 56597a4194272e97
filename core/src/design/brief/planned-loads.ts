import type { Supply } from '../../electric/index.js';
import type { Load } from '../../house/index.js';
import type { Brief } from './brief.schema.js';
import { plannedLoad } from './planned-load.js';

/** What comes later and is sized for now, as loads: other things that come later add to what there is. */
export const plannedLoads = ({ brief, supply }: { readonly brief: Brief; readonly supply: Supply }): Load[] =>
  brief.plannedAdditions
    .filter(({ kind, countIn }) => kind === 'load' && countIn)
    .map((addition) => plannedLoad(addition, supply.system));
