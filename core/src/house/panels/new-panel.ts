import type { SupplySystem } from '../../electric/index.js';
import type { Circuit, FedFrom, Panel, Service } from './panel.schema.js';

/** A service about which only the name is known. */
export const newService = (id: string, name: string): Service => ({
  id,
  name,
  ratingA: null,
  meter: '',
  tariffId: null,
  faultCurrentA: null,
  mainBreakerA: null,
});

/** An empty panel as is usual for a supply: two columns of numbered spaces, or one row in a consumer unit. */
export function newPanel(id: string, name: string, system: SupplySystem, fedFrom: FedFrom): Panel {
  const american = system === 'split-120-240' || system === 'two-legs-120-208';
  return {
    id,
    name,
    place: '',
    fedFrom,
    feeder: { breakerA: null, conductor: null, lengthM: null },
    between: [],
    busRatingA: null,
    mainBreakerA: null,
    spaces: american ? (fedFrom.kind === 'service' ? 40 : 20) : 24,
    layout: american ? 'odd-even' : 'one-row',
    topLeg: 'L1',
    family: '',
    surveyed: true,
    bonded: null,
    centreFed: null,
    feedThrough: null,
    circuits: [],
  };
}

/** A breaker about which only its place is known. */
export const newCircuit = (id: string, spaces: readonly number[], name = ''): Circuit => ({
  id,
  name,
  use: 'circuit',
  spaces: [...spaces],
  half: null,
  ratingA: null,
  protection: 'standard',
  family: '',
  conductor: null,
  neutral: null,
  neutralGroup: '',
  handleTie: false,
  backFeeds: false,
  channel: '',
});
