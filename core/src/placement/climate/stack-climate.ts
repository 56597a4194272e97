import { keepNewest } from '../../base/index.js';
import type { Plan } from '../../design/index.js';
import { chargeShareAt, dischargeShareAt } from '../../electric/index.js';
import type { Stack, Unit } from '../../equipment/index.js';
import { hoursOfYear, type WeatherYear } from '../../nature/index.js';
import { placedThings } from '../things/placed-things.js';
import type { Thing } from '../things/thing.js';
import { unitThing } from '../things/unit-thing.js';
import { heated, type ThingClimate, thingClimate } from './placed-climate.js';
import { powerLeftAt } from './power-left.js';

/** What the places of its units do to a stack, by hour of the year. */
export interface StackClimate {
  /** Share of the charging and of the discharging power that is left. */
  readonly chargeShare: Float32Array;
  readonly dischargeShare: Float32Array;
  /** Mean temperature of the cells, by energy, °C. */
  readonly batteryC: Float64Array;
  /** What heaters of their own draw, W; null = none does. */
  readonly heaterW: Float32Array | null;
}

type Place = Pick<Plan, 'lot' | 'placement'>;

/** What is kept goes with the weather it is of. */
type Kept<T> = WeakMap<WeatherYear, Map<string, T>>;
function under<T>(kept: Kept<T>, weather: WeatherYear): Map<string, T> {
  const map = kept.get(weather) ?? new Map<string, T>();
  kept.set(weather, map);
  return map;
}

/** By weather and by what they rest on: a stack of ten modules on one wall has one climate. */
const known: Kept<ThingClimate> = new WeakMap();
const mostKnown = 60;

function climateOf(
  plan: Place,
  thing: Thing,
  wallId: string,
  bottomM: number,
  weather: WeatherYear,
): ThingClimate {
  const wall = plan.lot.walls.find(({ id }) => id === wallId)!;
  const { widthM, heightM, depthM, massKg } = thing;
  const { openings: _openings, routes: _routes, trace: _trace, name: _name, ...rest } = wall;
  const work = plan.placement.works.find((one) => one.wallId === wallId)?.shade;
  const height = wall.eavesDepthM === null ? 0 : bottomM;
  const { absorptance } = plan.placement;
  const key = JSON.stringify([
    rest,
    plan.lot.corners,
    work,
    absorptance,
    widthM,
    heightM,
    depthM,
    massKg,
    height,
  ]);
  return keepNewest(under(known, weather), key, mostKnown, () =>
    thingClimate(plan, { thing, wall, leftM: 0, bottomM, widthM, heightM }, weather),
  );
}

/** Every unit of the stack of an island, one by one, with its climate; null = none of its units is put anywhere. The plan is that of the island. */
export function unitClimates(
  plan: Place,
  stack: Stack,
  weather: WeatherYear,
): { readonly thing: Thing; readonly climate: ThingClimate }[] | null {
  const first = plan.placement.placed.find(
    ({ thingId, wallId }) => thingId.startsWith('unit:') && plan.lot.walls.some(({ id }) => id === wallId),
  );
  if (!first) return null;
  const islandId = first.thingId.split(':')[1]!;
  const counted: readonly { readonly unit: Unit; readonly quantity: number }[] = [
    { unit: stack.inverter, quantity: stack.inverterQuantity },
    ...stack.batteries.filter(({ unit }) => unit.id !== stack.inverter.id),
  ];
  const things = counted.flatMap(({ unit, quantity }) =>
    Array.from({ length: quantity }, (_, index) => unitThing(unit, islandId, index + 1, quantity)),
  );
  const placed = new Map(placedThings(plan, things).map((one) => [one.thing.id, one]));
  return things.map((thing) => {
    // What is not put anywhere yet is taken to stand beside what is.
    const place = placed.get(thing.id);
    const [wallId, bottomM] = place ? [place.wall.id, place.bottomM] : [first.wallId, first.bottomM];
    return { thing, climate: climateOf(plan, thing, wallId, bottomM, weather) };
  });
}

/** Tells climates apart by number: each is made once. */
const numbers = new WeakMap<ThingClimate, number>();
let lastNumber = 0;
function numberOf(climate: ThingClimate): number {
  const number = numbers.get(climate) ?? (lastNumber += 1);
  numbers.set(climate, number);
  return number;
}

/** By weather and by its units with what each rests on: an edit of a load changes nothing about them. */
const knownStacks: Kept<StackClimate> = new WeakMap();
const mostStacks = 6;

/**
 * What the places of its units do to a stack through a year: each battery by its own temperature, weighed by its energy, so that one in the cold blocks its own share of the charging; each inverter by
 * where its data sheet derates it.
 *
 * @param plan of the island the stack feeds
 * @returns null where none of its units is put anywhere
 */
export function stackClimate(plan: Place, stack: Stack, weather: WeatherYear): StackClimate | null {
  const units = unitClimates(plan, stack, weather);
  if (!units) return null;
  const key = JSON.stringify([
    stack.chemistry,
    units.map(({ thing, climate }) => [
      numberOf(climate),
      thing.energyWh,
      thing.unit!.inverter !== null,
      thing.unit!.body,
    ]),
  ]);
  return keepNewest(under(knownStacks, weather), key, mostStacks, () => mixedClimate(units, stack.chemistry));
}

/** The climates of all units as one. */
function mixedClimate(
  units: readonly { readonly thing: Thing; readonly climate: ThingClimate }[],
  chemistry: Stack['chemistry'],
): StackClimate {
  const chargeShare = new Float32Array(hoursOfYear);
  const dischargeShare = new Float32Array(hoursOfYear);
  const batteryC = new Float64Array(hoursOfYear);
  const left = new Float32Array(hoursOfYear);
  let heaterW: Float32Array | null = null;
  const batteries = units.filter(({ thing }) => thing.energyWh > 0);
  const totalWh = batteries.reduce((sum, { thing }) => sum + thing.energyWh, 0);
  for (const { thing, climate } of batteries) {
    const weight = thing.energyWh / totalWh;
    const warmed = heated(climate.cabinetC, thing.unit!.body.heaterW);
    for (let hour = 0; hour < hoursOfYear; hour += 1) {
      const c = warmed.cellC[hour]!;
      chargeShare[hour]! += weight * chargeShareAt(chemistry, c);
      dischargeShare[hour]! += weight * dischargeShareAt(chemistry, c);
      batteryC[hour]! += weight * c;
    }
    const drawn = warmed.heaterW;
    if (!drawn) continue;
    heaterW ??= new Float32Array(hoursOfYear);
    for (let hour = 0; hour < hoursOfYear; hour += 1) heaterW[hour]! += drawn[hour]!;
  }
  const inverters = units.filter(({ thing }) => thing.unit!.inverter !== null);
  for (const { thing, climate } of inverters)
    for (let hour = 0; hour < hoursOfYear; hour += 1)
      left[hour]! += powerLeftAt(thing.unit!.body, climate.cabinetC[hour]!) / inverters.length;
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    chargeShare[hour]! *= left[hour]!;
    dischargeShare[hour]! *= left[hour]!;
  }
  return { chargeShare, dischargeShare, batteryC, heaterW };
}
