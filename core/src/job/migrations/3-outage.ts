import { isRecord, type Saved } from './saved.js';

/** What an outage met in version 4, and still does in version 5; frozen. */
export const outageOfVersion4: Saved = {
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
export const addOutage = (saved: Saved): Saved => ({
  ...saved,
  version: 4,
  brief: isRecord(saved['brief']) ? { ...saved['brief'], outageWeather: null } : saved['brief'],
  outage: outageOfVersion4,
});
