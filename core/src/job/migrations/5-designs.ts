import { isRecord, listOf, mapRecords, type Saved, textOf } from './saved.js';

const withoutKeys = (record: Saved, ...keys: readonly string[]): Saved =>
  Object.fromEntries(Object.entries(record).filter(([key]) => !keys.includes(key)));

const circuitsOf = (survey: unknown): Saved[] =>
  (isRecord(survey) ? listOf(survey['panels']) : [])
    .filter(isRecord)
    .flatMap((panel) => listOf(panel['circuits']).filter(isRecord));

/** Lanes and shedding of the circuits, which they had themselves. */
const lanesOf = (survey: unknown): Saved[] =>
  circuitsOf(survey).flatMap(({ id, lane, shed }) =>
    lane === 'dark' && shed === null ? [] : [{ circuitId: id, lane, shed }],
  );

interface Islands {
  /** By id of the service. */
  readonly islandOf: ReadonlyMap<unknown, string>;
  /** Id of the island that came first, and so had the first stack. */
  readonly first: string | undefined;
}

/**
 * The islands as version 5 saw them: a service that is backed up and not joined to one that is has an island of its own, in
 * the order of the services. An island takes the name of the service it began with.
 */
function islandsOf(survey: unknown, backup: unknown): Islands {
  const services = (isRecord(survey) ? listOf(survey['services']) : []).filter(isRecord);
  const said = new Map(
    (isRecord(backup) ? listOf(backup['services']) : [])
      .filter(isRecord)
      .map((one) => [one['serviceId'], one] as const),
  );
  const backed = new Set(services.map(({ id }) => id).filter((id) => said.get(id)?.['school'] !== 'none'));
  const hostOf = (id: unknown): unknown => {
    const joinedTo = said.get(id)?.['joinedTo'] ?? null;
    return joinedTo !== null && joinedTo !== id && backed.has(joinedTo) ? joinedTo : id;
  };
  const islandOf = new Map(services.map(({ id }) => [id, textOf(backed.has(id) ? hostOf(id) : id)] as const));
  const first = services.find(({ id }) => backed.has(id) && hostOf(id) === id);
  return { islandOf, first: first && textOf(first['id']) };
}

/** A splice was cut at the panel it named; everything else at the service. */
const isolationOf = ({ school, feederPanelId }: Saved): Saved =>
  school === 'feeder' ? { at: 'feeder', panelId: feederPanelId ?? null } : { at: 'service' };

const backupOf = (saved: Saved, islandOf: Islands['islandOf']): unknown => {
  const { backup } = saved;
  if (!isRecord(backup)) return backup;
  return {
    services: mapRecords(backup['services'], (said) => ({
      ...withoutKeys(said, 'joinedTo', 'feederPanelId'),
      islandId: islandOf.get(said['serviceId']) ?? said['serviceId'],
      isolation: isolationOf(said),
    })),
    kept: listOf(saved['loads'])
      .filter(isRecord)
      .flatMap(({ id, inBackupSet }) => (inBackupSet === true ? [{ loadId: id }] : [])),
    lanes: lanesOf(saved['survey']),
    shouldWorth: backup['shouldWorth'],
  };
};

/** The first island took the first stack, or none; what was said of it while it was another one did not count. */
const equipmentOf = (design: unknown, { islandOf, first }: Islands): unknown => {
  if (!isRecord(design)) return design;
  const stacks: Saved[] = [];
  if (Array.isArray(design['chosen'])) stacks.push({ islandId: first ?? 'house', parts: design['chosen'] });
  for (const { serviceId, chosen } of listOf(design['others']).filter(isRecord)) {
    const islandId = islandOf.get(serviceId) ?? serviceId;
    const isKnown = islandId === first || stacks.some((stack) => stack['islandId'] === islandId);
    if (Array.isArray(chosen) && !isKnown) stacks.push({ islandId, parts: chosen });
  }
  return { stacks };
};

/** At most four places after the point, and no exponent. */
const decimal = (value: unknown): unknown =>
  typeof value === 'number' && Number.isFinite(value) ? String(Math.round(value * 1e4) / 1e4) : value;

const sourcesOf = (outage: unknown): unknown => {
  if (!isRecord(outage)) return outage;
  const placed = (source: unknown, id: string): unknown =>
    isRecord(source) ? { id, circuitId: null, ...source } : source;
  return {
    arrays: mapRecords(outage['arrays'], (array) => ({ ...array, circuitId: null })),
    generator: placed(outage['generator'], 'generator'),
    vehicle: placed(outage['vehicle'], 'vehicle'),
    costs: listOf(outage['costs']).map((entry, index) =>
      isRecord(entry)
        ? {
            id: `cost-${index + 1}`,
            change: entry['change'],
            cost: { amount: decimal(entry['cost']), currency: null },
          }
        : entry,
    ),
  };
};

/**
 * Version 6 holds designs over one house, one of them for now: how it is backed up (with lanes, shedding and the loads that are
 * kept), its sources, its equipment by island. Islands have identifiers of their own; sources are on circuits; costs have an
 * identifier and are decimal text.
 */
export const toDesigns = (saved: Saved): Saved => {
  const islands = islandsOf(saved['survey'], saved['backup']);
  const { survey, outage } = saved;
  return {
    ...withoutKeys(saved, 'backup', 'design'),
    version: 6,
    survey: isRecord(survey)
      ? {
          ...survey,
          panels: mapRecords(survey['panels'], (panel) => ({
            ...panel,
            circuits: mapRecords(panel['circuits'], (circuit) => withoutKeys(circuit, 'lane', 'shed')),
          })),
        }
      : survey,
    loads: mapRecords(saved['loads'], (load) => withoutKeys(load, 'inBackupSet')),
    outage: isRecord(outage) ? withoutKeys(outage, 'arrays', 'generator', 'vehicle', 'costs') : outage,
    designs: [
      {
        id: 'design',
        name: 'Design',
        backup: backupOf(saved, islands.islandOf),
        sources: sourcesOf(outage),
        equipment: equipmentOf(saved['design'], islands),
      },
    ],
  };
};
