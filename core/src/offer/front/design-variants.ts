import {
  benchItems,
  changeServiceBackup,
  changeShed,
  type Island,
  islandPlan,
  laneOfCircuits,
  moveToLane,
  type Plan,
  runningLoads,
  serviceBackup,
  setSoftStarter,
  settingsOf,
  type SolarArray,
  usualArray,
  usualGenerator,
} from '../../design/index.js';
import { dailyEnergyWh, loadsByCircuit } from '../../house/index.js';
import { substitutesFor } from '../../study/details.js';

/** A design as it could be, whatever stack carries it. */
export interface DesignVariant {
  /** The same for the same change. */
  readonly key: string;
  /** What is different from the design, in a few words each; none = nothing is. */
  readonly changes: readonly string[];
  readonly plan: Plan;
}

interface Choice {
  readonly key: string;
  readonly change: string;
  readonly apply: (plan: Plan) => Plan;
}

const asItIs: Choice = { key: '', change: '', apply: (plan) => plan };
/** How many circuits more are shed, besides all that may be. */
const controlled = [1, 2, 4, 8];
/** Shed below half of the charge, as load control usually is (common practice, no source). */
const belowCharge = 0.5;

/**
 * What may be changed about a design for one island: how its service is transferred; circuits that a device sheds below half of the charge, more and more of them; a generator, by
 * hand or by itself, or none; soft starters for every motor whose start asks for one; arrays the household has in mind. What the brief does not want is left out. Every combination
 * is a variant, the design as it is first.
 */
export function designVariants(plan: Plan, island: Island): DesignVariant[] {
  const axes: readonly (readonly Choice[])[] = [
    transferKinds(plan, island),
    loadControl(plan, island),
    softStarters(plan, island),
    generators(plan, island),
    arrays(plan),
  ];
  return axes.reduce<DesignVariant[]>(
    (variants, choices) =>
      variants.flatMap((variant) =>
        choices.map(({ key, change, apply }): DesignVariant => ({
          key: [variant.key, key].filter((part) => part !== '').join('+'),
          changes: change === '' ? variant.changes : [...variant.changes, change],
          plan: apply(variant.plan),
        })),
      ),
    [{ key: '', changes: [], plan }],
  );
}

/**
 * The other usual way to transfer a service: circuits that move to a loads panel, or the whole service behind a contactor, where devices shed for the
 * whole outage what a loads panel would leave behind.
 */
function transferKinds(plan: Plan, island: Island): readonly Choice[] {
  const [service, ...others] = island.services;
  if (!service || others.length > 0) return [asItIs];
  const { school, isolation } = serviceBackup(plan, service.id);
  if (isolation.at !== 'service') return [asItIs];
  const laneOf = laneOfCircuits(plan);
  const circuits = island.panels.flatMap((panel) => panel.circuits).filter(({ use }) => use === 'circuit');
  const idsOf = (of: readonly { readonly id: string }[]): string[] => of.map(({ id }) => id);
  if (school === 'loads-panel') {
    const behind = loadsByCircuit(plan.loads);
    const left = idsOf(circuits.filter(({ id }) => laneOf(id).lane === 'dark' && behind.has(id)));
    return [
      asItIs,
      {
        key: 'whole',
        change: 'the whole service behind a contactor, devices shed what would be left behind',
        apply: (before) => {
          const whole = changeServiceBackup(before, service.id, {
            school: 'controlled',
            isolatingDevice: 'contactor',
            isolatingRatingA: service.ratingA,
            controlledCircuits: null,
          });
          const shed = moveToLane(whole, { circuitIds: left, loadIds: [] }, 'auto');
          return changeShed(shed, left, { when: 'outage' });
        },
      },
    ];
  }
  if (school !== 'controlled' && school !== 'service') return [asItIs];
  const stay = circuits.filter(({ id }) => {
    const { lane, shed } = laneOf(id);
    return lane !== 'dark' && !(lane === 'auto' && shed?.when === 'outage');
  });
  const leave = idsOf(circuits.filter((circuit) => !stay.includes(circuit)));
  return [
    asItIs,
    {
      key: 'loads-panel',
      change: `${stay.length} circuits move to a loads panel`,
      apply: (before) =>
        moveToLane(
          changeServiceBackup(before, service.id, {
            school: 'loads-panel',
            isolatingDevice: 'pass-through',
            isolatingRatingA: null,
            newPanelSpaces: Math.min(
              84,
              stay.reduce((sum, { spaces }) => sum + spaces.length, 0),
            ),
          }),
          { circuitIds: leave, loadIds: [] },
          'dark',
        ),
    },
  ];
}

/**
 * The circuits that a device sheds besides those it sheds now: of every number the best, those that take most in the design season of what
 * nobody must have. What is shed adds up, so the best of k are the k that take most.
 */
function loadControl(plan: Plan, island: Island): readonly Choice[] {
  const season = settingsOf(plan).designSeason.value;
  const own = islandPlan(plan, island);
  const running = runningLoads(own);
  const may = benchItems(own, island)
    // What runs, wherever it was put: a whole house carries what nobody shed.
    .filter(
      ({ circuit, lane, loads }) =>
        circuit !== null && lane !== 'auto' && loads.some(({ id }) => running.has(id)),
    )
    .filter(({ loads }) => loads.every(({ tier }) => tier !== 'must'))
    .map(({ id, name, loads }) => ({
      id,
      name,
      energyWh: loads.reduce((sum, load) => sum + dailyEnergyWh(load, season), 0),
    }))
    .filter(({ energyWh }) => energyWh > 0)
    .toSorted((a, b) => b.energyWh - a.energyWh);
  const counts = [...new Set([...controlled.filter((count) => count < may.length), may.length])];
  return [
    asItIs,
    ...counts
      .filter((count) => count > 0)
      .map((count): Choice => {
        const shed = may.slice(0, count);
        const circuitIds = shed.map(({ id }) => id);
        const names = shed.slice(0, 2).map(({ name }) => name);
        const rest = count > 2 ? ` and ${count - 2} more` : '';
        return {
          key: `shed-${count}`,
          change: `sheds ${names.join(', ')}${rest} below half`,
          apply: (before) =>
            changeShed(moveToLane(before, { circuitIds, loadIds: [] }, 'auto'), circuitIds, {
              when: 'charge',
              belowCharge,
            }),
        };
      }),
  ];
}

/** One for every motor whose start is heavy and that has none. */
function softStarters(plan: Plan, island: Island): readonly Choice[] {
  const wanted = substitutesFor(islandPlan(plan, island)).filter(({ softStarter }) => softStarter === true);
  if (wanted.length === 0) return [asItIs];
  const names = wanted.map(({ loadId }) => plan.loads.find(({ id }) => id === loadId)?.name ?? '');
  return [
    asItIs,
    {
      key: 'soft-starters',
      change: `soft starters: ${names.join(', ')}`,
      apply: (before) => wanted.reduce((now, { loadId }) => setSoftStarter(now, loadId, true), before),
    },
  ];
}

function generators(plan: Plan, island: Island): readonly Choice[] {
  const { generator } = plan.sources;
  const isElsewhere =
    generator !== null && generator.circuitId !== null && islandPlan(plan, island).sources.generator === null;
  if (generator?.existing === true || isElsewhere) return [asItIs];
  const choices: Choice[] = [];
  const set =
    (made: Plan['sources']['generator']) =>
    (before: Plan): Plan => ({
      ...before,
      sources: { ...before.sources, generator: made },
    });
  if (!plan.brief.noGenerator) {
    if (generator === null || generator.start !== 'hand')
      choices.push({
        key: 'generator-hand',
        change: 'a generator at an inlet, by hand',
        apply: set(usualGenerator('hand')),
      });
    if (generator === null || generator.start !== 'auto')
      choices.push({
        key: 'generator-auto',
        change: 'a generator that starts by itself',
        apply: set(usualGenerator('auto')),
      });
  }
  const without: Choice = { key: 'no-generator', change: 'no generator', apply: set(null) };
  if (generator === null) return [asItIs, ...choices];
  return plan.brief.noGenerator ? [without] : [asItIs, without, ...choices];
}

/** Arrays that may come, towards the equator, where they are not counted in yet. */
function arrays(plan: Plan): readonly Choice[] {
  const wished = plan.brief.plannedAdditions.filter(
    ({ kind, runningPowerW, id }) =>
      kind === 'array' && runningPowerW >= 100 && plan.sources.arrays.every((array) => array.id !== id),
  );
  const made = (id: string, name: string, ratedW: number): SolarArray => ({
    ...usualArray(plan, id, name.slice(0, 60)),
    ratedW,
  });
  return [
    asItIs,
    ...wished.map(({ id, name, runningPowerW }): Choice => ({
      key: `array-${id}`,
      change: `${name}, ${runningPowerW / 1000} kW`,
      apply: (before) => ({
        ...before,
        sources: { ...before.sources, arrays: [...before.sources.arrays, made(id, name, runningPowerW)] },
      }),
    })),
  ];
}
