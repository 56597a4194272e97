import type { Unit } from '../catalogue/unit.schema.js';
import type { Job } from '../job/job.schema.js';
import { emptyScenario, type Scenario, type SolarArray } from '../outage/scenario.schema.js';
import { outageYear, type OutageYear } from '../outage/outage-plan.js';
import { assembleStack } from '../sizing/assemble-stack.js';
import { demandContextOf } from '../sizing/demand-context-of.js';
import type { Load } from '../load/load.schema.js';
import { hoursOfYear, type WeatherYear } from '../weather/weather-year.js';
import { aJob, idealUnit } from './samples.js';

/** The same weather in every hour of a year. */
export const steadyWeather = (temperatureC = 18.3): WeatherYear => ({
  name: 'Steady',
  latitudeDeg: 40,
  longitudeDeg: 0,
  altitudeM: 0,
  zoneH: 0,
  globalWPerM2: new Float64Array(hoursOfYear),
  beamWPerM2: new Float64Array(hoursOfYear),
  diffuseWPerM2: new Float64Array(hoursOfYear),
  temperatureC: new Float64Array(hoursOfYear).fill(temperatureC),
  source: 'made for a test',
});

export const anArray = (changes: Partial<SolarArray> = {}): SolarArray => ({
  id: 'roof',
  name: 'Roof',
  ratedW: 6000,
  tiltDeg: 30,
  facingDeg: 180,
  coupling: 'ac',
  inverterW: null,
  legs: 'L1-L2',
  loss: null,
  horizon: [],
  shadeByHour: null,
  ...changes,
});

interface Case {
  readonly loads: readonly Load[];
  readonly outage?: Partial<Scenario>;
  readonly brief?: Partial<Job['brief']>;
  readonly unit?: Unit;
  readonly quantity?: number;
  readonly system?: Job['supply']['system'];
  readonly weather?: WeatherYear;
  readonly change?: (job: Job) => Job;
}

/** A year of outages for loads behind one kind of unit (the ideal one of 10 kWh and 6 kVA), on day one at 25 °C. */
export function anOutageYear(of: Case): OutageYear {
  const unit = of.unit ?? idealUnit;
  const system = of.system ?? 'split-120-240';
  const blank = aJob(of.loads);
  const made: Job = {
    ...blank,
    supply: { ...blank.supply, system },
    brief: { ...blank.brief, sizeForYear: 0, batteryTemperatureC: 25, handsOn: false, ...of.brief },
    outage: { ...emptyScenario(), ...of.outage },
  };
  const job = of.change ? of.change(made) : made;
  const stack = assembleStack([{ unitId: unit.id, quantity: of.quantity ?? 1 }], [unit], system);
  if (!stack.ok) throw new Error(stack.problem);
  return outageYear(demandContextOf(job), stack.stack, of.weather ?? steadyWeather());
}
