import { placeWord, quantityText } from '../base/index.js';
import { conductorText } from '../electric/index.js';
import { type Circuit, circuitLegSet, type House, type Panel, panelFedBy } from '../house/index.js';
import { connectedVA, loadsBehind } from '../house/details.js';
import { inWordsOf } from './in-words-of.js';
import { placeLocale } from './place-locale.js';

/** Columns of a panel schedule, in the order of the file; {@link readCircuitRows} reads them back. */
export const scheduleColumns = [
  'Space',
  'Half',
  'Breaker A',
  'Poles',
  'Description',
  'Leg',
  'Protection',
  'Conductor',
  'Shared neutral',
  'Handle tie',
  'Family',
  'Use',
  'Feeds back',
  'Channel',
  'Loads',
  'Connected VA',
] as const;

/** Columns that are printed; the rest is for files. */
export const printedColumns = [
  'Space',
  'Half',
  'Breaker A',
  'Poles',
  'Description',
  'Leg',
  'Protection',
  'Conductor',
  'Loads',
  'Connected VA',
] as const satisfies readonly (typeof scheduleColumns)[number][];

/** Those of them that take what room is left. */
export const wideColumns: readonly string[] = [
  'Description',
  'Loads',
] satisfies (typeof printedColumns)[number][];

export interface PanelSchedule {
  readonly title: string;
  /** Facts about the panel, label and value. */
  readonly facts: readonly (readonly [string, string])[];
  readonly rows: readonly (readonly (string | number)[])[];
}

const amps = (value: number | null): string => (value === null ? 'not known' : `${value} A`);

const rowOf = (house: House, panel: Panel, circuit: Circuit): (string | number)[] => {
  const loads = loadsBehind(house, circuit.id);
  const feeds = panelFedBy(house, circuit.id);
  return [
    circuit.spaces.join(', '),
    circuit.half ?? '',
    circuit.ratingA ?? '',
    circuit.spaces.length,
    circuit.name,
    circuitLegSet(panel, circuit, house.supply.system),
    circuit.protection,
    circuit.conductor ? conductorText(circuit.conductor) : '',
    circuit.neutralGroup,
    circuit.handleTie ? 'yes' : '',
    circuit.family,
    circuit.use,
    circuit.backFeeds ? 'yes' : '',
    circuit.channel,
    feeds
      ? `feeds ${feeds.name}`
      : loads.map(({ name, quantity }) => (quantity > 1 ? `${quantity} × ${name}` : name)).join('; '),
    Math.round(connectedVA(loads)),
  ];
};

const feedText = (house: House, panel: Panel): string => {
  const { fedFrom } = panel;
  switch (fedFrom.kind) {
    case 'service':
      return house.survey.services.find(({ id }) => id === fedFrom.serviceId)?.name ?? 'not known';
    case 'circuit': {
      const from = house.survey.panels
        .flatMap((parent) => parent.circuits.map((circuit) => ({ parent, circuit })))
        .find(({ circuit }) => circuit.id === fedFrom.circuitId);
      return from ? `${from.parent.name}, space ${from.circuit.spaces.join(', ')}` : 'not known';
    }
    case 'lugs': {
      const from = house.survey.panels.find(({ id }) => id === fedFrom.panelId);
      return from ? `feed-through lugs of ${from.name}` : 'not known';
    }
    case 'unknown':
      return 'not known';
  }
};

/** The schedule of a panel: what is written on its door, with what hangs on each circuit. Spaces in order. */
export function panelSchedule(house: House & { readonly name: string }, panel: Panel): PanelSchedule {
  const { feeder } = panel;
  return {
    title: `${house.name}: ${panel.name}`,
    facts: [
      ['Place', panel.place || 'not known'],
      ['Fed from', feedText(house, panel)],
      [
        'Feeder',
        `${feeder.conductor ? conductorText(feeder.conductor) : 'conductor not known'}${feeder.lengthM === null ? '' : `, ${quantityText(feeder.lengthM, 'm', house.site.units, 1)}`}`,
      ],
      ['Bus rating', amps(panel.busRatingA)],
      ['Main', panel.mainBreakerA === null ? 'lugs only' : amps(panel.mainBreakerA)],
      ['Spaces', String(panel.spaces)],
      ['Listed for breakers of family', panel.family || 'not known'],
      [
        inWordsOf(placeLocale(house.supply.system), `Neutral and ${placeWord('earth')}`),
        panel.bonded === null ? 'not known' : panel.bonded ? 'bonded here' : 'separate',
      ],
    ],
    rows: panel.circuits
      .toSorted((a, b) => a.spaces[0]! - b.spaces[0]! || (a.half ?? '').localeCompare(b.half ?? ''))
      .map((circuit) => rowOf(house, panel, circuit)),
  };
}
