import { instantOf } from '../usage/house-clock.js';
import { readCircuitEntry } from '../panels/circuit-entry.js';
import { newPanel, newService } from '../panels/new-panel.js';
import type { Circuit, FedFrom, Panel, Survey } from '../panels/panel.schema.js';
import { putBreaker } from '../panels/put-breaker.js';
import type { SupplySystem } from '../../electric/index.js';
import type { Bill, Outage, Usage } from '../usage/usage.schema.js';

/** Space, what is written there, the loads on it, and what is different about it. */
type Way = readonly [space: number, entry: string, loadIds?: readonly string[], changes?: Partial<Circuit>];

/** A survey of a demo job, and where its loads hang. */
export interface DemoSurvey {
  readonly survey: Survey;
  readonly circuitOf: ReadonlyMap<string, string>;
}

const wayId = (panelId: string, space: number): string => `${panelId}-${space}`;

function panelOf(
  id: string,
  name: string,
  system: SupplySystem,
  fedFrom: FedFrom,
  facts: Partial<Panel>,
  ways: readonly Way[],
): Panel {
  return ways.reduce<Panel>(
    (panel, [space, text, , changes]) => {
      const read = readCircuitEntry(text);
      if (!read.ok) throw new Error(`${text}: ${read.message}`);
      const put = putBreaker(panel, space, read.entries, () => wayId(id, space));
      if (!put.ok) throw new Error(`${text}: ${put.message}`);
      const circuits = put.panel.circuits.map((circuit) =>
        circuit.id === put.circuitId ? { ...circuit, ...changes } : circuit,
      );
      return { ...put.panel, circuits };
    },
    { ...newPanel(id, name, system, fedFrom), ...facts },
  );
}

const placesOf = (id: string, ways: readonly Way[]): (readonly [string, string])[] =>
  ways.flatMap(([space, , loads]) => (loads ?? []).map((load) => [load, wayId(id, space)] as const));

const harbourMain: readonly Way[] = [
  [1, '20 Refrigerator 12AWG', ['fridge']],
  [2, '50/2 Range 6AWG', ['range-electric']],
  [3, '15 Kitchen lights 14AWG', ['lights-kitchen']],
  [5, '20 Kitchen counter, left gfci 12AWG', ['microwave', 'coffee']],
  [6, '30/2 Dryer 10AWG', ['dryer-electric']],
  [7, '20 Kitchen counter, right gfci 12AWG', ['dishwasher']],
  [9, '15 Boiler and circulators 14AWG', ['boiler-oil', 'circulator']],
  [10, '30/2 Water heater 10AWG', ['water-heater-tank']],
  [11, '20 Laundry 12AWG', ['washer-cold']],
  [13, '15 Living room 14AWG', ['lights-living', 'tv', 'phones']],
  [14, '20/2 Well pump 12AWG', ['well-pump-large'], { neutral: false }],
  [15, '15 Bedrooms afci 14AWG', ['lights-bed', 'outlets']],
  [17, '15 Internet and office afci 14AWG', ['router', 'laptop']],
  [18, '20 Heat tape, porch roof 14AWG', ['heat-tape']],
  [19, '15 Sump pump 14AWG', ['sump-pump']],
  [20, '15 Garage door 14AWG', ['garage-door']],
  [21, '60/2 Barn panel 6AWG', []],
  [22, 'spare 20'],
  [24, '20 Septic aerator 12AWG', ['septic-aerator']],
  [26, '20 Bath gfci 12AWG'],
  [27, '20 Car outlet 12AWG', ['car-plug']],
  [29, '15 Upstairs outlets, east 14AWG', [], { neutralGroup: 'A' }],
  [33, '15 Upstairs outlets, west 14AWG', [], { neutralGroup: 'A' }],
];
const harbourBarn: readonly Way[] = [
  [1, '20 Barn lights 12AWG'],
  [3, '15 Freezer 14AWG', ['freezer-chest']],
  [4, '15 Hen house 14AWG'],
];

/** The farmhouse: a 200 A service, a panel in the cellar, a sub-panel in the barn. */
export function harbourSurvey(system: SupplySystem): DemoSurvey {
  const main = panelOf(
    'cellar',
    'Cellar panel',
    system,
    { kind: 'service', serviceId: 'farm' },
    {
      place: 'Cellar, north wall',
      busRatingA: 200,
      mainBreakerA: 200,
      family: 'Sorrel',
      bonded: true,
      feeder: {
        breakerA: null,
        conductor: { material: 'aluminium', size: '4/0 AWG', ratedC: null },
        lengthM: 9,
      },
    },
    harbourMain,
  );
  const barn = panelOf(
    'barn',
    'Barn panel',
    system,
    { kind: 'circuit', circuitId: wayId('cellar', 21) },
    {
      place: 'Barn, inside the east door',
      busRatingA: 100,
      spaces: 8,
      family: 'Sorrel',
      bonded: true,
      feeder: { breakerA: null, conductor: { material: 'copper', size: '6 AWG', ratedC: null }, lengthM: 38 },
    },
    harbourBarn,
  );
  return {
    survey: {
      services: [
        {
          ...newService('farm', 'Farm service'),
          ratingA: 200,
          meter: 'At the pole by the road',
          tariffId: 'harbour',
          faultCurrentA: 10_000,
        },
      ],
      panels: [main, barn],
      monitorCircuitId: wayId('cellar', 17),
      monitorChannels: 16,
      monitorScope: 'all',
    },
    circuitOf: new Map([...placesOf('cellar', harbourMain), ...placesOf('barn', harbourBarn)]),
  };
}

const vineyardUnit: readonly Way[] = [
  [1, '16/3 Heat pump 2.5mm²', ['heat-pump-hydronic']],
  [4, '16 Kitchen, cold rcbo 2.5mm²', ['fridge']],
  [5, '16 Kitchen sockets rcbo 2.5mm²', ['kettle', 'coffee']],
  [6, '10 Bedrooms rcbo 1.5mm²', ['lights-bed']],
  [7, '10 Living room rcbo 1.5mm²', ['lights-living', 'tv']],
  [8, '10 Kitchen lights rcbo 1.5mm²', ['lights-kitchen', 'phones']],
  [9, '16 Studio rcbo 2.5mm²', ['desktop', 'router']],
  [10, '16/3 Cooktop 2.5mm²', ['cooktop-induction']],
  [13, '16 Dishwasher rcbo 2.5mm²', ['dishwasher']],
  [14, '16 Washing machine rcbo 2.5mm²', ['washer-heats']],
  [15, '10 Ventilation and circulators rcbo 1.5mm²', ['ventilation', 'circulator']],
  [16, '16 Oven rcbo 2.5mm²', ['oven']],
  [17, '16 Dryer rcbo 2.5mm²', ['dryer-heat-pump']],
  [18, 'spare 16'],
  [19, '16/3 Car charging 2.5mm²', ['car-three']],
  [22, '16/3 Sauna 2.5mm²', ['sauna']],
];

/** The row house: one consumer unit of one row, three phases from a comb bus bar. */
export function vineyardSurvey(system: SupplySystem): DemoSurvey {
  const unit = panelOf(
    'hall',
    'Consumer unit',
    system,
    { kind: 'service', serviceId: 'street' },
    {
      place: 'Hall, beside the stairs',
      busRatingA: 63,
      mainBreakerA: 35,
      spaces: 36,
      family: 'Tansy',
      bonded: false,
      feeder: { breakerA: 35, conductor: { material: 'copper', size: '10 mm²', ratedC: null }, lengthM: 14 },
    },
    vineyardUnit,
  );
  return {
    survey: {
      services: [
        {
          ...newService('street', 'House connection'),
          ratingA: 35,
          meter: 'Cabinet at the street',
          tariffId: 'vineyard',
          faultCurrentA: 6000,
        },
      ],
      panels: [unit],
      monitorCircuitId: wayId('hall', 18),
      monitorChannels: null,
      monitorScope: 'all',
    },
    circuitOf: new Map(placesOf('hall', vineyardUnit)),
  };
}

const monthlyKWh = [1185, 1064, 986, 742, 588, 540, 611, 655, 560, 704, 902, 1121] as const;

const day = (month: number): string => {
  const year = 2025 + Math.floor(month / 12);
  return `${year}-${String((month % 12) + 1).padStart(2, '0')}-06`;
};

const outages: readonly (readonly [start: string, minutes: number])[] = [
  ['2022-12-23T21:40', 1460],
  ['2023-02-04T03:15', 95],
  ['2023-02-04T05:02', 0.2],
  ['2023-07-18T16:30', 1.5],
  ['2023-11-09T19:05', 310],
  ['2024-01-13T07:50', 5840],
  ['2024-03-22T11:20', 0.1],
  ['2024-09-30T17:45', 205],
  ['2024-12-07T02:10', 905],
  ['2025-02-16T22:30', 540],
  ['2025-06-11T14:05', 2],
  ['2025-10-28T20:15', 1130],
  ['2026-01-19T05:40', 385],
  ['2026-03-03T13:30', 0.3],
];

/**
 * A year of bills and four years of outages at the farmhouse.
 *
 * @param zone the times of the outages are on its clock
 */
export function harbourUsage(empty: Usage, zone: string): Usage {
  return {
    ...empty,
    bills: monthlyKWh.map((kWh, month): Bill => ({
      id: `bill-${month + 1}`,
      fromDay: day(month),
      toDay: day(month + 1),
      energyWh: kWh * 1000,
      exportWh: null,
    })),
    outages: outages.map(([start, minutes], index): Outage => ({
      id: `outage-${index + 1}`,
      start: instantOf(start, zone)!,
      durationS: minutes * 60,
    })),
    outageYears: 4,
  };
}
