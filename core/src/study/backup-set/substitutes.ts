import type { Season } from '../../nature/index.js';
import {
  keepLoads,
  leaveOff,
  type Plan,
  runningLoads,
  setSoftStarter,
  withSoftStarts,
} from '../../design/index.js';
import { type Load, runningPowerVA } from '../../house/index.js';
import { libraryValues, loadLibrary } from '../../house/details.js';
import { startDemand } from '../starts/start-demand.js';

/** Something else that does the job of a load; common practice, no source. */
export interface Substitute {
  readonly key: string;
  readonly loadId: string;
  readonly title: string;
  readonly how: string;
  /** The load as it would be; a new load stands beside it where the substitute is another device. */
  readonly changed: Load;
  /** Does the load itself leave the backup set? */
  readonly leftOut?: boolean;
  /** The design puts a soft starter to it; the load stays what it is. */
  readonly softStarter?: boolean;
  readonly added: Load | null;
  /** A device that is there already takes over, used as here, and is kept. */
  readonly existing?: Load;
}

type Made = Omit<Substitute, 'key' | 'loadId'>;

interface Rule {
  readonly key: string;
  readonly applies: (load: Load, startVA: number, acrossTheLine: boolean) => boolean;
  readonly make: (load: Load) => Made;
  /** A device that does the same may be there already: which it is, and how it takes over. */
  readonly takeOver?: {
    readonly isSuch: (other: Load) => boolean;
    readonly make: (load: Load, device: Load) => Made;
  };
}

/** An entry of the library in the place of a load: on its legs and its circuit, wanted as much. */
const fromLibrary = (libraryId: string, beside: Load, changes: Partial<Load>): Load => {
  const typical = loadLibrary.find(({ id }) => id === libraryId);
  if (!typical) throw new Error(`The load library has no "${libraryId}"`);
  const { legs, legsAssumed, circuitId, tier } = beside;
  return {
    ...libraryValues(typical),
    id: `${beside.id.slice(0, 30)}-${libraryId.slice(0, 8)}`,
    quantity: 1,
    legs,
    legsAssumed,
    circuitId,
    tier,
    ...changes,
  };
};

/** Hours of use with other nights. */
const withNights = (use: Load['use'], nightH: (season: Season) => number): Load['use'] => ({
  winter: { ...use.winter, nightH: nightH('winter') },
  shoulder: { ...use.shoulder, nightH: nightH('shoulder') },
  summer: { ...use.summer, nightH: nightH('summer') },
});

const noNights = (use: Load['use']): Load['use'] => withNights(use, () => 0);

/** A third of the energy at a quarter of the power, between late morning and evening. */
const timerUse = (dayH: number, eveningH: number): Load['use'] => ({
  winter: { nightH: 0, morningH: 0, dayH, eveningH },
  shoulder: { nightH: 0, morningH: 0, dayH, eveningH },
  summer: { nightH: 0, morningH: 0, dayH: Math.max(0, dayH - 1), eveningH },
});

/** Running at least as long at night as what it stands in for. */
const withNightsOf = (device: Load, load: Load): Load['use'] =>
  withNights(device.use, (season) => Math.max(device.use[season].nightH, load.use[season].nightH));

/** A fan that moves the air people are in; those of baths, hoods and soil gas do not cool anybody. */
const isCoolingFan = ({ kind, name }: Load): boolean =>
  kind === 'fan' && /\bfans?\b/i.test(name) && !/bath|radon|hood|exhaust|extract|boiler|furnace/i.test(name);

const isCentralCooling = ({ kind, runningPowerW }: Load): boolean =>
  kind === 'cooling' && runningPowerW >= 1500;

const rules: readonly Rule[] = [
  {
    key: 'soft-starter',
    applies: (load, startVA, acrossTheLine) =>
      acrossTheLine && startVA >= 2500 && startVA > 2.5 * runningPowerVA(load),
    make: (load) => ({
      title: `Soft starter for ${load.name}`,
      how: 'Cuts the surge to about two and a half times the running power, and the start takes longer.',
      changed: load,
      softStarter: true,
      added: null,
    }),
  },
  {
    key: 'fan-at-night',
    applies: isCentralCooling,
    make: (load) => ({
      title: `Whole-house fan instead of ${load.name} at night`,
      how: 'Cool night air is drawn through the house; the air conditioning runs by day only.',
      changed: { ...load, use: noNights(load.use) },
      added: fromLibrary('whole-house-fan', load, {
        legs: load.legs === 'L1-L2' ? 'L1' : load.legs,
        circuitId: null,
      }),
    }),
    takeOver: {
      isSuch: isCoolingFan,
      make: (load, fan) => ({
        title: `${fan.name}, there already, instead of ${load.name} at night`,
        how: 'It runs through the nights; the air conditioning runs by day only.',
        changed: { ...load, use: noNights(load.use) },
        added: null,
        existing: { ...fan, use: withNightsOf(fan, load) },
      }),
    },
  },
  {
    key: 'room-unit',
    applies: isCentralCooling,
    make: (load) => ({
      title: `Room unit instead of ${load.name}`,
      how: 'One room stays cool with less than a kilowatt; the central unit stays dark.',
      changed: load,
      leftOut: true,
      added: fromLibrary('ac-split', load, {
        legs: load.legs === 'L1-L2' ? 'L1' : load.legs,
        circuitId: null,
      }),
    }),
  },
  {
    key: 'heat-pump-water-heater',
    applies: ({ kind, runningPowerW }) => kind === 'water-heater' && runningPowerW >= 2000,
    make: (load) => ({
      title: `Heat-pump water heater on a timer instead of ${load.name}`,
      how: 'A third of the energy at some 500 W, heated when the sun is out.',
      changed: {
        ...load,
        name: 'Heat-pump water heater on a timer',
        runningPowerW: 500,
        powerFactor: 0.92,
        start: { how: 'multiple', multiple: 3, durationS: 0.4 },
        dutyCycle: 0.85,
        use: timerUse(4, 1),
        basis: 'typical',
      },
      added: null,
    }),
  },
  {
    key: 'single-plate',
    applies: ({ kind, runningPowerW }) => kind === 'range' && runningPowerW >= 2500,
    make: (load) => ({
      title: `Portable induction plate instead of ${load.name}`,
      how: 'One pot at a time on a wall outlet.',
      changed: load,
      leftOut: true,
      added: fromLibrary('cooktop-induction', load, {
        name: 'Portable induction plate',
        legs: load.legs.includes('-') ? 'L1' : load.legs,
        circuitId: null,
        runningPowerW: 1500,
      }),
    }),
  },
  {
    key: 'room-heat-pump',
    applies: ({ kind, runningPowerW }) =>
      (kind === 'space-heating' || kind === 'backup-heat') && runningPowerW >= 1000,
    make: (load) => ({
      title: `Ductless heat pump instead of ${load.name}`,
      how: 'The same warmth in the main room for about a third of the energy.',
      changed: load,
      leftOut: true,
      added: fromLibrary('heat-pump-ductless', load, { circuitId: null }),
    }),
  },
];

/** What a rule makes of a load, with the largest such device that is there already. */
function madeBy({ make, takeOver }: Rule, load: Load, loads: readonly Load[]): Made {
  const device = loads
    .filter((other) => other.id !== load.id && takeOver?.isSuch(other))
    .toSorted((a, b) => b.runningPowerW * b.quantity - a.runningPowerW * a.quantity)[0];
  return device && takeOver ? takeOver.make(load, device) : make(load);
}

/** Substitutes for loads that are kept, and for large loads that stay dark because of what they draw. */
export function substitutesFor(plan: Plan): Substitute[] {
  const running = runningLoads(plan);
  // One that has a soft starter by design needs no other.
  return withSoftStarts(plan).loads.flatMap((load) => {
    const start = startDemand(plan.supply.system, load);
    return rules
      .filter(({ key }) => running.has(load.id) || key !== 'soft-starter')
      .filter(({ applies }) => applies(load, start?.startVA ?? 0, start?.acrossTheLine ?? false))
      .map((rule) => ({ key: `${rule.key}.${load.id}`, loadId: load.id, ...madeBy(rule, load, plan.loads) }));
  });
}

/** The plan with a substitute taken; the device that takes over is kept, whether it comes new or is there already. */
export function withSubstitute<P extends Plan>(
  plan: P,
  { loadId, changed, leftOut, softStarter, added, existing }: Substitute,
): P {
  if (softStarter === true) return setSoftStarter(plan, loadId, true);
  const loads = plan.loads.flatMap((load) => {
    if (load.id === existing?.id) return [existing];
    if (load.id !== loadId) return [load];
    return added ? [changed, added] : [changed];
  });
  const without = leftOut ? leaveOff(plan, [loadId]) : plan;
  const device = added ?? existing;
  return { ...(device ? keepLoads(without, [device.id], true) : without), loads };
}
