import { changeShed, moveToLane } from '../backup/move-to-lane.js';
import { substitutesFor, withSubstitute } from '../backup/substitutes.js';
import type { Catalogue } from '../catalogue/unit.schema.js';
import type { StackPart } from '../sizing/stack-part.schema.js';
import type { Job } from '../job/job.schema.js';
import { settingsOf } from '../job/settings.js';
import { dailyEnergyWh } from '../load/daily-energy.js';
import { assembleStack } from '../sizing/assemble-stack.js';
import { systemFacts } from '../supply/legs.js';
import type { Generator, Scenario, SolarArray } from './scenario.schema.js';

/** Something that could be changed, and the job and units with it. */
export interface HelpfulChange {
  /** Stays the same for the same change, so that a cost can be kept with it. */
  readonly id: string;
  readonly kind: 'load' | 'start' | 'battery' | 'inverter' | 'generator' | 'sun' | 'household';
  readonly title: string;
  readonly job: Job;
  readonly parts: readonly StackPart[];
}

/** A generator as one would first think of it (common practice, no source). */
export const usualGenerator = (start: Generator['start']): Generator => ({
  powerW: start === 'auto' ? 7500 : 4500,
  start,
  comesAfterMin: start === 'auto' ? 0 : 180,
  startBelow: 0.2,
  stopAbove: 0.9,
  warmUpMin: 2,
  chargerW: start === 'auto' ? 5500 : 3500,
  fuelL: start === 'auto' ? 200 : 40,
  idleLPerH: start === 'auto' ? 1.3 : 0.7,
  fullLPerH: start === 'auto' ? 3.9 : 2.4,
  quiet: { fromH: 22, toH: 7 },
  locksSolarOut: true,
});

/** An array as one would first think of it: on a roof that faces the equator. */
export const usualArray = (job: Pick<Job, 'site' | 'supply'>, id: string, name: string): SolarArray => ({
  id,
  name,
  ratedW: 6000,
  tiltDeg: 30,
  facingDeg: (job.site.latitudeDeg ?? 40) < 0 ? 0 : 180,
  coupling: 'ac',
  inverterW: null,
  legs: systemFacts[job.supply.system].legSets.at(-1)!,
  loss: null,
  horizon: [],
  shadeByHour: null,
});

const directions = [
  { name: 'east', deg: 90 },
  { name: 'south-east', deg: 135 },
  { name: 'south', deg: 180 },
  { name: 'south-west', deg: 225 },
  { name: 'west', deg: 270 },
];

/** How many loads are tried: those that take most. */
const triedLoads = 8;

/**
 * Changes that may help a house through outages: loads left off or shed, gentler starts, more battery, more inverter, a
 * generator, more or turned sun, a household that saves.
 *
 * @param parts the units it has now
 */
export function helpfulChanges(job: Job, parts: readonly StackPart[], catalogue: Catalogue): HelpfulChange[] {
  const season = settingsOf(job).designSeason.value;
  const { outage } = job;
  const changes: HelpfulChange[] = [];
  const add = (
    id: string,
    kind: HelpfulChange['kind'],
    title: string,
    changed: Partial<Job>,
    units = parts,
  ): void => {
    changes.push({ id, kind, title, job: { ...job, ...changed }, parts: units });
  };
  const play = (id: string, kind: HelpfulChange['kind'], title: string, changed: Partial<Scenario>): void =>
    add(id, kind, title, { outage: { ...outage, ...changed } });

  const byEnergy = job.loads
    .filter(({ inBackupSet }) => inBackupSet)
    .map((load) => ({ load, energyWh: dailyEnergyWh(load, season) }))
    .filter(({ energyWh }) => energyWh > 0)
    .toSorted((a, b) => b.energyWh - a.energyWh)
    .slice(0, triedLoads);
  for (const { load } of byEnergy) {
    add(`drop.${load.id}`, 'load', `Leave off: ${load.name}`, {
      loads: job.loads.map((one) => (one.id === load.id ? { ...one, inBackupSet: false } : one)),
    });
    if (load.circuitId === null || load.tier === 'must') continue;
    const moved = moveToLane(job, { circuitIds: [load.circuitId], loadIds: [] }, 'auto');
    const shed = changeShed(moved, [load.circuitId], { when: 'charge', belowCharge: 0.5 });
    changes.push({
      id: `shed.${load.circuitId}`,
      kind: 'load',
      title: `Shed below half charge: the circuit of ${load.name}`,
      job: shed,
      parts,
    });
  }
  for (const substitute of substitutesFor(job.supply.system, job.loads)) {
    if (!substitute.changed.inBackupSet && !substitute.added?.inBackupSet) continue;
    const starts = substitute.key.startsWith('soft-starter');
    add(substitute.key, starts ? 'start' : 'load', substitute.title, {
      loads: withSubstitute(job.loads, substitute),
    });
  }

  const units = (unitId: string, more: number): StackPart[] =>
    parts.some((part) => part.unitId === unitId)
      ? parts.map((part) => (part.unitId === unitId ? { ...part, quantity: part.quantity + more } : part))
      : [...parts, { unitId, quantity: more }];
  const fits = (changed: readonly StackPart[]): boolean =>
    assembleStack(changed, catalogue, job.supply.system).ok;
  for (const part of parts) {
    const inverter = catalogue.find(({ id }) => id === part.unitId)?.inverter;
    if (!inverter) continue;
    for (const { unitId } of inverter.accepts) {
      const more = units(unitId, 1);
      const name = catalogue.find(({ id }) => id === unitId)?.name ?? unitId;
      if (fits(more)) add(`unit.${unitId}`, 'battery', `One more ${name}`, {}, more);
    }
    const step = inverter.output === 'one' ? systemFacts[job.supply.system].legs.length : 1;
    const needed = inverter.accepts.filter(({ minPerInverter }) => minPerInverter > 0);
    let more = units(part.unitId, step);
    for (const { unitId, minPerInverter } of needed) {
      const have = more.find((one) => one.unitId === unitId)?.quantity ?? 0;
      const least = minPerInverter * (part.quantity + step);
      if (have < least) more = more.map((one) => (one.unitId === unitId ? { ...one, quantity: least } : one));
    }
    const name = catalogue.find(({ id }) => id === part.unitId)?.name ?? part.unitId;
    if (fits(more)) {
      add(`unit.${part.unitId}`, 'inverter', `${step === 1 ? 'One' : 'Three'} more ${name}`, {}, more);
    }
  }

  if (outage.generator === null) {
    play('generator.auto', 'generator', 'A generator that starts by itself', {
      generator: usualGenerator('auto'),
    });
    play('generator.hand', 'generator', 'A portable generator at an inlet', {
      generator: usualGenerator('hand'),
    });
  } else {
    const { fuelL, quiet } = outage.generator;
    if (fuelL !== null) {
      play('generator.fuel', 'generator', 'Twice the fuel on site', {
        generator: { ...outage.generator, fuelL: fuelL * 2 },
      });
    }
    if (quiet !== null) {
      play('generator.quiet', 'generator', 'No quiet hours for the generator', {
        generator: { ...outage.generator, quiet: null },
      });
    }
  }
  const first = outage.arrays[0];
  if (!first) {
    play('sun.first', 'sun', 'Solar: 6 kW towards the equator', {
      arrays: [usualArray(job, 'first', 'New array')],
    });
  } else {
    const arrays = (changed: SolarArray): SolarArray[] =>
      outage.arrays.map((one, index) => (index === 0 ? changed : one));
    play('sun.more', 'sun', `Half as much again on ${first.name}`, {
      arrays: arrays({
        ...first,
        ratedW: first.ratedW * 1.5,
        inverterW: first.inverterW === null ? null : first.inverterW * 1.5,
      }),
    });
    for (const { name, deg } of directions) {
      const facing = (job.site.latitudeDeg ?? 40) < 0 ? (540 - deg) % 360 : deg;
      const apart = Math.abs(((first.facingDeg - facing + 540) % 360) - 180);
      if (apart < 30) continue;
      const called = (job.site.latitudeDeg ?? 40) < 0 ? name.replace('south', 'north') : name;
      play(`sun.turn.${name}`, 'sun', `${first.name} turned to the ${called}`, {
        arrays: arrays({ ...first, facingDeg: facing }),
      });
    }
    if (first.tiltDeg < 55) {
      play('sun.steep', 'sun', `${first.name} at 65°`, { arrays: arrays({ ...first, tiltDeg: 65 }) });
    }
  }
  if (outage.household === 'usual')
    play('household', 'household', 'A household that saves', { household: 'saving' });
  return changes;
}
