import { systemFacts } from '../../electric/index.js';
import { acceptedCount, assembleStack, type Catalogue, type StackPart } from '../../equipment/index.js';
import { dailyEnergyWh, isSouthern } from '../../house/index.js';
import {
  changeShed,
  leaveOff,
  moveToLane,
  runningLoads,
  type Plan,
  type Sources,
  settingsOf,
  type SolarArray,
  usualArray,
  usualGenerator,
} from '../../design/index.js';
import { substitutesFor, withSubstitute } from '../backup-set/substitutes.js';

/** Something that could be changed, and the job and units with it. */
export interface HelpfulChange {
  /** Stays the same for the same change, so that a cost can be kept with it. */
  readonly id: string;
  readonly kind: 'load' | 'start' | 'battery' | 'inverter' | 'generator' | 'sun' | 'household';
  readonly title: string;
  readonly plan: Plan;
  readonly parts: readonly StackPart[];
}

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
export function helpfulChanges(
  plan: Plan,
  parts: readonly StackPart[],
  catalogue: Catalogue,
): HelpfulChange[] {
  const settings = settingsOf(plan);
  const season = settings.designSeason.value;
  const { outage, sources } = plan;
  const running = runningLoads(plan);
  const changes: HelpfulChange[] = [];
  const add = (
    id: string,
    kind: HelpfulChange['kind'],
    title: string,
    changed: Partial<Plan>,
    units = parts,
  ): void => {
    changes.push({ id, kind, title, plan: { ...plan, ...changed }, parts: units });
  };
  const play = (id: string, kind: HelpfulChange['kind'], title: string, changed: Partial<Sources>): void =>
    add(id, kind, title, { sources: { ...sources, ...changed } });

  const byEnergy = plan.loads
    .filter(({ id }) => running.has(id))
    .map((load) => ({ load, energyWh: dailyEnergyWh(load, season) }))
    .filter(({ energyWh }) => energyWh > 0)
    .toSorted((a, b) => b.energyWh - a.energyWh)
    .slice(0, triedLoads);
  for (const { load } of byEnergy) {
    const without = leaveOff(plan, [load.id]);
    // What nobody is there to unplug runs on.
    if (settings.handsOn.value || !runningLoads(without).has(load.id))
      add(`drop.${load.id}`, 'load', `Leave off: ${load.name}`, without);
    if (load.circuitId === null || load.tier === 'must') continue;
    const moved = moveToLane(plan, { circuitIds: [load.circuitId], loadIds: [] }, 'auto');
    const shed = changeShed(moved, [load.circuitId], { when: 'charge', belowCharge: 0.5 });
    changes.push({
      id: `shed.${load.circuitId}`,
      kind: 'load',
      title: `Shed below half charge: the circuit of ${load.name}`,
      plan: shed,
      parts,
    });
  }
  for (const substitute of substitutesFor(plan)) {
    if (!substitute.added && (substitute.leftOut || !running.has(substitute.loadId))) continue;
    const starts = substitute.key.startsWith('soft-starter');
    add(substitute.key, starts ? 'start' : 'load', substitute.title, withSubstitute(plan, substitute));
  }

  const units = (unitId: string, more: number): StackPart[] =>
    parts.some((part) => part.unitId === unitId)
      ? parts.map((part) => (part.unitId === unitId ? { ...part, quantity: part.quantity + more } : part))
      : [...parts, { unitId, quantity: more }];
  const fits = (changed: readonly StackPart[]): boolean =>
    assembleStack(changed, catalogue, plan.supply.system).ok;
  for (const part of parts) {
    const inverter = catalogue.find(({ id }) => id === part.unitId)?.inverter;
    if (!inverter) continue;
    for (const { unitId, step } of inverter.accepts) {
      const more = units(unitId, step);
      const name = catalogue.find(({ id }) => id === unitId)?.name ?? unitId;
      const many = step === 1 ? 'One' : String(step);
      if (fits(more)) add(`unit.${unitId}`, 'battery', `${many} more ${name}`, {}, more);
    }
    const step = inverter.output === 'one' ? systemFacts[plan.supply.system].legs.length : 1;
    const needed = inverter.accepts.filter(({ least }) => least > 0);
    let more = units(part.unitId, step);
    for (const accepted of needed) {
      const { unitId } = accepted;
      const have = more.find((one) => one.unitId === unitId)?.quantity ?? 0;
      const { least } = acceptedCount(accepted, part.quantity + step);
      if (have < least) more = more.map((one) => (one.unitId === unitId ? { ...one, quantity: least } : one));
    }
    const name = catalogue.find(({ id }) => id === part.unitId)?.name ?? part.unitId;
    if (fits(more)) {
      add(`unit.${part.unitId}`, 'inverter', `${step === 1 ? 'One' : 'Three'} more ${name}`, {}, more);
    }
  }

  if (sources.generator === null) {
    play('generator.auto', 'generator', 'A generator that starts by itself', {
      generator: usualGenerator('auto'),
    });
    play('generator.hand', 'generator', 'A portable generator at an inlet', {
      generator: usualGenerator('hand'),
    });
  } else {
    const { fuelL, quiet } = sources.generator;
    if (fuelL !== null) {
      play('generator.fuel', 'generator', 'Twice the fuel on site', {
        generator: { ...sources.generator, fuelL: fuelL * 2 },
      });
    }
    if (quiet !== null) {
      play('generator.quiet', 'generator', 'No quiet hours for the generator', {
        generator: { ...sources.generator, quiet: null },
      });
    }
  }
  const first = sources.arrays[0];
  if (!first) {
    play('sun.first', 'sun', 'Solar: 6 kW towards the equator', {
      arrays: [usualArray(plan, 'first', 'New array')],
    });
  } else {
    const arrays = (changed: SolarArray): SolarArray[] =>
      sources.arrays.map((one, index) => (index === 0 ? changed : one));
    play('sun.more', 'sun', `Half as much again on ${first.name}`, {
      arrays: arrays({
        ...first,
        ratedW: first.ratedW * 1.5,
        inverterW: first.inverterW === null ? null : first.inverterW * 1.5,
      }),
    });
    for (const { name, deg } of directions) {
      const facing = isSouthern(plan.site) ? (540 - deg) % 360 : deg;
      const apart = Math.abs(((first.facingDeg - facing + 540) % 360) - 180);
      if (apart < 30) continue;
      const called = isSouthern(plan.site) ? name.replace('south', 'north') : name;
      play(`sun.turn.${name}`, 'sun', `${first.name} turned to the ${called}`, {
        arrays: arrays({ ...first, facingDeg: facing }),
      });
    }
    if (first.tiltDeg < 55) {
      play('sun.steep', 'sun', `${first.name} at 65°`, { arrays: arrays({ ...first, tiltDeg: 65 }) });
    }
  }
  if (outage.household === 'usual')
    add('household', 'household', 'A household that saves', { outage: { ...outage, household: 'saving' } });
  return changes;
}
