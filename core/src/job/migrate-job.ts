type Saved = Record<string, unknown>;

const isRecord = (value: unknown): value is Saved => typeof value === 'object' && value !== null;

/** Version 2 adds the survey (services, panels, circuits), usage, and the circuit of a load. */
const addSurvey = (saved: Saved): Saved => ({
  ...saved,
  version: 2,
  survey: { services: [], panels: [], monitorCircuitId: null },
  usage: { bills: [], outages: [], outageYears: null, reliability: null, measurement: null },
  loads: Array.isArray(saved['loads'])
    ? saved['loads'].map((load: unknown) =>
        isRecord(load) ? { ...load, circuitId: null, measuredOn: null } : load,
      )
    : saved['loads'],
});

/** Version 3 adds how the house is backed up: lanes of circuits, schools of services, sources beyond the first. */
const addBackup = (saved: Saved): Saved => {
  const list = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
  const loads = list(saved['loads']).filter(isRecord);
  const kept = new Set(loads.flatMap((load) => (load['inBackupSet'] === true ? [load['circuitId']] : [])));
  const { survey, design } = saved;
  const withLane = (circuit: unknown): unknown =>
    isRecord(circuit) ? { ...circuit, lane: kept.has(circuit['id']) ? 'on' : 'dark', shed: null } : circuit;
  const withLanes = (panel: unknown): unknown =>
    isRecord(panel) && Array.isArray(panel['circuits'])
      ? { ...panel, circuits: panel['circuits'].map(withLane) }
      : panel;
  return {
    ...saved,
    version: 3,
    survey: isRecord(survey) ? { ...survey, panels: list(survey['panels']).map(withLanes) } : survey,
    loads: Array.isArray(saved['loads'])
      ? saved['loads'].map((load: unknown) =>
          isRecord(load) ? { ...load, cyclesPerHour: null, restartDelayS: null } : load,
        )
      : saved['loads'],
    backup: { services: [], shouldWorth: 4 },
    design: isRecord(design) ? { ...design, others: [] } : design,
  };
};

/** What an outage met in version 4, and still does in version 5; frozen. */
const outageOfVersion4: Saved = {
  climateId: null,
  weatherId: null,
  seed: 1,
  arrays: [],
  generator: null,
  vehicle: null,
  household: 'usual',
  startCharge: null,
  keptForRestart: null,
  restoreAbove: null,
  batteryPlace: null,
  resetAfterMin: null,
  costs: [],
};

/** Version 4 adds what an outage meets: weather, sun, generator, vehicle, household. */
const addOutage = (saved: Saved): Saved => ({
  ...saved,
  version: 4,
  brief: isRecord(saved['brief']) ? { ...saved['brief'], outageWeather: null } : saved['brief'],
  outage: outageOfVersion4,
});

/** Which legs a supply had as version 5 began; frozen. */
const legSetsOfVersion5: Readonly<Record<string, readonly string[]>> = {
  'split-120-240': ['L1', 'L2', 'L1-L2'],
  'two-legs-120-208': ['L1', 'L2', 'L1-L2'],
  'single-230': ['L1'],
  'three-230-400': ['L1', 'L2', 'L3', 'L1-L2', 'L1-L3', 'L2-L3', 'L1-L2-L3'],
};

/** Arrays did not follow when the supply was changed; those on legs that are not there go to the most there are. */
const settleArrays = (outage: Saved, supply: unknown): Saved => {
  const legSets = isRecord(supply) ? legSetsOfVersion5[String(supply['system'])] : undefined;
  const { arrays } = outage;
  if (!legSets || !Array.isArray(arrays)) return outage;
  return {
    ...outage,
    arrays: arrays.map((array: unknown) =>
      isRecord(array) && !legSets.includes(String(array['legs']))
        ? { ...array, legs: legSets.at(-1) }
        : array,
    ),
  };
};

/** Version 4 was changed while it was in use: its early documents lack the weather the brief asks to get through. */
const completeOutage = (saved: Saved): Saved => ({
  ...saved,
  version: 5,
  brief: isRecord(saved['brief']) ? { outageWeather: null, ...saved['brief'] } : saved['brief'],
  outage: isRecord(saved['outage'])
    ? settleArrays({ ...outageOfVersion4, ...saved['outage'] }, saved['supply'])
    : outageOfVersion4,
});

/** migrations[n] turns the saved form of version n into that of version n + 1. Version 1 is the first. */
const migrations: Readonly<Record<number, (saved: Saved) => Saved>> = {
  1: addSurvey,
  2: addBackup,
  3: addOutage,
  4: completeOutage,
};

/**
 * Brings a saved job up to the present version, one step at a time.
 *
 * @param saved the document as it was saved
 * @param version the version it was saved with
 */
export function migrateJob(saved: Saved, version: number): Saved {
  let migrated = saved;
  for (let from = version; migrations[from]; from += 1) migrated = migrations[from]!(migrated);
  return migrated;
}
