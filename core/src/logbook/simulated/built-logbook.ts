import type { BuiltHouse, OutageSample } from '../../commissioning/details.js';
import type { Catalogue } from '../../equipment/index.js';
import {
  emptyLogbook,
  type Logbook,
  type LoggedOutage,
  newLoggedOutage,
  type Visit,
} from '../../house/index.js';
import { outageWeather } from '../../study/details.js';
import type { SimulatedFault } from '../../simulator/index.js';
import { yearsBetween } from '../ageing/age-at.js';
import { unitsOfDesign } from '../built/units-of-design.js';
import { doneOn } from '../dates/done-on.js';
import { usualDates } from '../dates/usual-dates.js';
import { outagesInSamples } from '../outages/outages-in-samples.js';
import { minuteOfYear } from '../replay/minute-of-year.js';
import { simulatedOutage } from './simulated-outage.js';

/** An outage of the demo: when, for how long, and from what charge on. */
interface Happened extends Pick<LoggedOutage, 'id' | 'name' | 'from' | 'source' | 'cause' | 'found'> {
  readonly awayH: number;
  readonly charge: number;
  readonly fault?: SimulatedFault;
}

/** Invented, like everything of the demo. */
const happened: readonly Happened[] = [
  {
    id: 'ice-on-the-lines',
    name: 'Ice on the lines',
    from: '2023-12-18T02:10:00Z',
    source: 'gateway',
    cause: 'Ice, a line down at the harbour road',
    found: '',
    awayH: 7,
    charge: 0.97,
  },
  {
    id: 'transformer',
    name: 'Transformer at the corner',
    from: '2024-03-09T23:30:00Z',
    source: 'typed',
    cause: 'Fuse of the transformer',
    found: '',
    awayH: 3.2,
    charge: 0.95,
  },
  {
    id: 'november-storm',
    name: 'November storm',
    from: '2024-11-21T23:00:00Z',
    source: 'gateway',
    cause: 'Storm, trees on the feeder',
    found: '',
    awayH: 21,
    charge: 0.9,
  },
  {
    id: 'works',
    name: 'Works on the line',
    from: '2025-08-02T13:00:00Z',
    source: 'file',
    cause: 'Announced by the utility',
    found: '',
    awayH: 5,
    charge: 0.95,
  },
  {
    id: 'february-storm',
    name: 'February storm',
    from: '2026-02-11T20:00:00Z',
    source: 'gateway',
    cause: 'Blizzard, two lines down',
    found: 'The disconnect of the solar inverter stood open since the roofers were there: no sun came in.',
    awayH: 40,
    charge: 0.97,
    fault: 'solar-stays-away',
  },
];

const firstSerial = 41_207;

/** Names by which the demo keeps what was recorded of an outage. */
export interface BuiltLogbookOf {
  readonly by: string;
  /** The day it was put into service, as 2023-10-17. */
  readonly on: string;
  readonly recordingIds: readonly string[];
}

/** What was recorded of an outage of the demo. */
export interface RecordedInDemo {
  readonly id: string;
  readonly name: string;
  readonly beganAt: string;
  readonly samples: readonly OutageSample[];
}

/**
 * Three years in the life of a simulated house: visits, updates, dates, and five outages, one of them shorter than predicted because
 * solar did not come back.
 *
 * @param seed decides in what the house differs from its design
 */
export function builtLogbook(
  { design, islandId, simulate }: BuiltHouse,
  seed: number,
  catalogue: Catalogue,
  { by, on, recordingIds }: BuiltLogbookOf,
): { readonly logbook: Logbook; readonly recordings: readonly RecordedInDemo[] } {
  const { plan } = design;
  const { zoneH } = outageWeather(plan, null);
  const recordings: RecordedInDemo[] = [];
  const outages = happened.map((one, index): LoggedOutage => {
    const { id, name, from, source, cause, found, awayH, charge, fault } = one;
    const house = simulate(seed, minuteOfYear(from, zoneH) - 2, charge, yearsBetween(on, from));
    if (fault) house.faults.add(fault);
    const { samples, outdoorC } = simulatedOutage(house, awayH);
    const [span] = outagesInSamples(samples);
    const { awayS, emptyS } = span!;
    const isKept = source !== 'typed';
    const chargeAt = (second: number): number | null =>
      samples.findLast((sample) => sample.second <= second)?.charge ?? null;
    if (isKept)
      recordings.push({
        id: recordingIds[index]!,
        name,
        beganAt: new Date(Date.parse(from) - awayS * 1000).toISOString(),
        samples,
      });
    return newLoggedOutage({
      id,
      name,
      islandId,
      from,
      source,
      recordingId: isKept ? recordingIds[index]! : null,
      lastedH: awayH,
      emptyAfterH: emptyS === null ? null : Number(((emptyS - awayS) / 3600).toFixed(2)),
      startCharge: isKept ? null : chargeAt(awayS),
      endCharge: isKept ? null : chargeAt(awayS + awayH * 3600),
      sunWh: isKept ? null : 0,
      outdoorC: Math.round(outdoorC),
      cause,
      found,
    });
  });
  const stacks = design.islands.flatMap(({ stack }) => (stack ? [stack] : []));
  let number = 0;
  const units = unitsOfDesign(
    { logbook: emptyLogbook() },
    stacks,
    catalogue,
    on,
    () => `unit-${(number += 1)}`,
  );
  const [inverter] = units;
  const { places } = design.wired.graph;
  const battery =
    places.find(({ kind }) => kind === 'battery') ?? places.find(({ kind }) => kind === 'inverter');
  const visits: Visit[] = [
    {
      id: 'first-test',
      on: '2024-10-16',
      by,
      kind: 'test-outage',
      text: 'Two hours off the grid with the household. Nothing to complain of.',
      changes: [],
    },
    {
      id: 'update',
      on: '2025-02-03',
      by,
      kind: 'update',
      text: 'From afar, agreed with the household.',
      changes: [
        {
          id: 'firmware',
          kind: 'firmware',
          unitId: inverter?.id ?? '',
          what: 'Firmware of the inverter',
          before: '2.14',
          after: '2.16',
        },
        {
          id: 'reserve',
          kind: 'setting',
          unitId: '',
          what: 'Reserve for outages',
          before: '20 %',
          after: '30 %',
        },
      ],
    },
    {
      id: 'second-test',
      on: '2025-10-20',
      by,
      kind: 'test-outage',
      text: 'An hour off the grid after dark. Lights, well and heating as expected; solar was not looked at.',
      changes: [],
    },
    {
      id: 'after-the-storm',
      on: '2026-02-19',
      by,
      kind: 'fault',
      text: 'Called after the storm. The disconnect of the solar inverter stood open, since October by its counter: the roofers had been there. Closed; the household knows the handle now.',
      changes: [
        {
          id: 'label',
          kind: 'part',
          unitId: '',
          what: 'Label at the solar disconnect',
          before: 'faded',
          after: 'engraved',
        },
      ],
    },
  ];
  const dates = usualDates({ sources: plan.sources, logbook: emptyLogbook() }, on).map((date) => {
    if (date.kind === 'test-outage') return doneOn(doneOn(date, '2024-10-16'), '2025-10-20');
    if (date.kind === 'exercise') return doneOn(date, '2026-11-08');
    return doneOn(date, '2025-10-20');
  });
  return {
    recordings,
    logbook: {
      ...emptyLogbook(),
      units: units.map((unit, index) => ({
        ...unit,
        serial: `LP-${firstSerial + 13 * index}`,
        firmware: unit === inverter ? '2.14' : '',
      })),
      deviations: [
        {
          id: 'packs-moved',
          aboutId: battery?.id ?? '',
          what: 'Place of the packs',
          designed: 'beside the door',
          built: '0.4 m further from the door: a drain pipe is in the wall',
          why: 'Found when the wall was opened; clearances hold.',
          on: '2023-10-12',
        },
        {
          id: 'meter-sign',
          aboutId: '',
          what: 'Sign at the meter',
          designed: 'engraved',
          built: 'paper until the next visit',
          why: '',
          on: '2023-10-17',
        },
      ],
      visits,
      dates,
      outages,
      documents: [
        {
          id: 'permission',
          name: 'Permission to operate',
          on: '2023-10-24',
          where: 'Office, folder 2023-117',
          file: null,
        },
        {
          id: 'sheets',
          name: 'Data sheets and manuals as delivered',
          on: on,
          where: 'Binder beside the panel',
          file: null,
        },
      ],
    },
  };
}
