import { isRecord, type Saved } from './saved.js';

/** Version 2 adds the survey (services, panels, circuits), usage, and the circuit of a load. */
export const addSurvey = (saved: Saved): Saved => ({
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
