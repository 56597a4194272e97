import { hoursOfYear, type WeatherYear } from '../../nature/index.js';
import { assembleStack, type Unit } from '../../equipment/index.js';
import type { Load } from '../../house/index.js';
import {
  emptyScenario,
  type Plan,
  type Scenario,
  type Sources,
  type SolarArray,
} from '../../design/index.js';
import { outageYear, type OutageYear } from '../outage/outage-plan.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { aPlan } from '../../design/testing/plan.js';
import { idealUnit } from '../../equipment/testing/ideal-unit.js';

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
  circuitId: null,
  existing: false,
  moreCircuits: [],
  name: 'Roof',
  ratedW: 6000,
  modules: null,
  tiltDeg: 30,
  facingDeg: 180,
  coupling: 'ac',
  inverterW: null,
  legs: 'L1-L2',
  loss: null,
  horizon: [],
  returnsAfterMin: null,
  shadeByHour: null,
  ...changes,
});

interface Case {
  readonly loads: readonly Load[];
  readonly outage?: Partial<Scenario & Sources>;
  readonly brief?: Partial<Plan['brief']>;
  readonly unit?: Unit;
  readonly quantity?: number;
  readonly system?: Plan['supply']['system'];
  readonly weather?: WeatherYear;
  readonly change?: (plan: Plan) => Plan;
}

/** A year of outages for loads behind one kind of unit (the ideal one of 10 kWh and 6 kVA), on day one at 25 °C. */
export function anOutageYear(of: Case): OutageYear {
  const unit = of.unit ?? idealUnit;
  const system = of.system ?? 'split-120-240';
  const blank = aPlan(of.loads);
  const { arrays = [], generator = null, vehicle = null, costs: _, ...conditions } = of.outage ?? {};
  const made: Plan = {
    ...blank,
    supply: { ...blank.supply, system },
    brief: { ...blank.brief, sizeForYear: 0, batteryTemperatureC: 25, handsOn: false, ...of.brief },
    outage: { ...emptyScenario(), ...conditions },
    sources: { ...blank.sources, arrays, generator, vehicle },
  };
  const plan = of.change ? of.change(made) : made;
  const stack = assembleStack([{ unitId: unit.id, quantity: of.quantity ?? 1 }], [unit], system);
  if (!stack.ok) throw new Error(stack.problem);
  return outageYear(demandContextOf(plan), stack.stack, of.weather ?? steadyWeather());
}
