import { derived, type Figure, given } from '../../base/index.js';
import { isAmerican } from '../../electric/index.js';
import { houseClock, houseZone, type Load, serviceRatingA } from '../../house/index.js';
import { existingLoadW } from '../../rules/index.js';
import type { Plan, Settings } from '../../design/index.js';
import { codeDemands } from './code-demands.js';
import type { DemandView } from './demand-view.js';
import type { PowerDemand } from './power-demand.js';
import { allAtOnceFigure, runningDemandFigure } from './power-figures.js';

const ruleOfThumb = (plan: Plan): DemandView => {
  const service = serviceRatingA(plan);
  const sizes = 'A habit, not a calculation: use it to notice that another figure is odd.';
  const base = { key: 'rule-of-thumb', label: 'Rule of thumb by service size', upTo: null } as const;
  if (!isAmerican(plan.supply.system)) {
    return { ...base, figure: null, sizes: 'The habit is known for 120 V services only.' };
  }
  if (service === null) return { ...base, figure: null, sizes: 'Enter the service rating in the brief.' };
  const ratingA = given({
    key: 'supply.serviceRating',
    label: 'Service rating',
    value: service,
    unit: 'A',
    source: { kind: 'user' },
  });
  const end = (key: string, label: string, per200A: number): Figure =>
    derived({
      key: `power.thumb.${key}`,
      label,
      value: (service / 200) * per200A,
      unit: 'W',
      formula: `${per200A / 1000} kW × {rating} ÷ 200 A`,
      inputs: { rating: ratingA },
      source: { kind: 'common-practice' },
    });
  return {
    ...base,
    figure: end('from', 'Rule of thumb, from', 8000),
    upTo: end('to', 'Rule of thumb, to', 12_000),
    sizes,
  };
};

const measuredView = (plan: Plan): DemandView => {
  const { measurement } = plan.usage;
  const base = { key: 'measured', label: 'Measured, 125 % of the highest quarter hour', upTo: null } as const;
  if (!measurement) {
    return { ...base, figure: null, sizes: 'Import meter data in Usage: the house then speaks for itself.' };
  }
  const peak = given({
    key: 'usage.highest',
    label: 'Highest measured demand',
    value: measurement.highestW,
    unit: 'W',
    source: { kind: 'measured' },
    assumptions: [
      `${measurement.name}, ${measurement.fromDay} to ${measurement.toDay}`,
      `at ${houseClock(measurement.highestAt, houseZone(plan.site)).replace('T', ' ')}`,
    ],
  });
  const days = (Date.parse(measurement.toDay) - Date.parse(measurement.fromDay)) / 86_400_000;
  return {
    ...base,
    figure: derived({
      key: 'power.nec.measured',
      label: 'Existing load by measurement',
      value: existingLoadW(measurement.highestW),
      unit: 'W',
      formula: '125 % × {peak}',
      inputs: { peak },
      source: { kind: 'published', reference: 'NEC 2023, 220.87' },
      assumptions: [
        ...(days < 364
          ? [
              `only ${Math.round(days)} days were measured; the rule asks for a year, or 30 days with allowances`,
            ]
          : []),
        ...(measurement.intervalS > 900
          ? [`intervals of ${measurement.intervalS / 60} min flatten the peak; the rule asks for 15 min`]
          : []),
      ],
    }),
    sizes:
      'It sizes the service for what is there and what is added to it (220.87): whole house, not the backup set.',
  };
};

/**
 * The ways to arrive at an inverter power, side by side: habit, the calculations of NEC Article 220 for the whole house, and
 * the list of loads in the backup set.
 */
export function compareDemands(
  plan: Plan,
  settings: Settings,
  backupSet: readonly Load[],
  power: PowerDemand,
): DemandView[] {
  const basisNote =
    settings.powerBasis.value === 'all-at-once' ? 'It sizes the inverter here, as the brief asks.' : null;
  return [
    ruleOfThumb(plan),
    ...codeDemands(plan, settings),
    measuredView(plan),
    {
      key: 'all-at-once',
      label: 'Load list, everything at once',
      figure: allAtOnceFigure(power, backupSet),
      upTo: null,
      sizes:
        basisNote ?? 'The ceiling: it would size the inverter for a household that wants no limits at all.',
    },
    {
      key: 'coincident',
      label: 'Load list, as loads cycle',
      figure: settings.coincidence.value < 1 ? runningDemandFigure(power, backupSet, settings) : null,
      upTo: null,
      sizes:
        basisNote === null
          ? 'It sizes the inverter here.'
          : 'Not used: the brief asks for everything at once.',
    },
  ];
}
