import { quantityText } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { dailyEnergyWh, type Load } from '../../house/index.js';
import { type Plan, runningLoads, settingsOf } from '../../design/index.js';
import { mayHaveMotor } from '../findings/motor-kinds.js';
import type { FoundPoint } from './found-point.js';

/** Typical figures are often off by so much (common practice, no source). */
const offBy = 0.3;
/** Loads that are looked at one by one; in a long list those that take most. */
const mostLoads = 40;

const withLoad = (plan: Plan, changed: Load): Plan => ({
  ...plan,
  loads: plan.loads.map((load) => (load.id === changed.id ? changed : load)),
});

/** What is typical, guessed or missing about loads that run in an outage. */
export function loadPoints(plan: Plan): FoundPoint[] {
  const runs = runningLoads(plan);
  const season = settingsOf(plan).designSeason.value;
  const { legs, legSets } = systemFacts[plan.supply.system];
  const looked = plan.loads
    .filter(({ id }) => runs.has(id))
    .toSorted((a, b) => dailyEnergyWh(b, season) - dailyEnergyWh(a, season))
    .slice(0, mostLoads);
  return looked.flatMap((load): FoundPoint[] => [
    ...(load.basis === 'typical' || load.basis === 'bills'
      ? [
          {
            key: `load.figures.${load.id}`,
            text: `${load.name}: ${quantityText(load.runningPowerW, 'W')} and ${quantityText(dailyEnergyWh(load, season), 'Wh')} a day are ${load.basis === 'bills' ? 'what the bills leave over' : 'typical, not its own'}`,
            find: 'Read the nameplate, and measure it over a day or watch it in Live.',
            others: [1 - offBy, 1 + offBy].map((factor) =>
              withLoad(plan, { ...load, runningPowerW: load.runningPowerW * factor }),
            ),
          },
        ]
      : []),
    ...(load.legsAssumed && legs.length > 1
      ? [
          {
            key: `load.legs.${load.id}`,
            text: `${load.name}: on ${load.legs}, as a guess`,
            find: 'Read its breaker off the panel.',
            others: legSets
              .filter((set) => set !== load.legs && set.length === load.legs.length)
              .map((set) => withLoad(plan, { ...load, legs: set, circuitId: null })),
          },
        ]
      : []),
    ...(load.start.how === 'none' && mayHaveMotor(load)
      ? [
          {
            key: `load.start.${load.id}`,
            text: `${load.name}: usually a motor, but nobody knows how it starts`,
            find: 'Read locked-rotor amperes or code letter off the nameplate, or measure a start.',
            others: [withLoad(plan, { ...load, start: { how: 'multiple', multiple: 5, durationS: 0.5 } })],
          },
        ]
      : []),
  ]);
}
