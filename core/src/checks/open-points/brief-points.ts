import { quantityText } from '../../base/index.js';
import { type Brief, type Plan, settingsOf } from '../../design/index.js';
import { seasons } from '../../nature/index.js';
import type { FoundPoint } from './found-point.js';

/** The goals and defaults that nobody has confirmed, with what else is often the answer (common practice, no source). */
export function briefPoints(plan: Plan): FoundPoint[] {
  const settings = settingsOf(plan);
  const points: FoundPoint[] = [];
  const asking = (
    key: keyof Brief,
    assumed: boolean,
    text: string,
    find: string,
    others: readonly Partial<Brief>[],
  ): void => {
    if (!assumed) return;
    points.push({
      key: `brief.${key}`,
      text,
      find,
      others: others.map((change) => ({ ...plan, brief: { ...plan.brief, ...change } })),
    });
  };
  const { requiredRuntimeH, designSeason, sizeForYear, batteryTemperatureC, transferGapToleranceMs } =
    settings;
  asking(
    'requiredRuntimeH',
    requiredRuntimeH.assumed,
    `Required runtime: ${requiredRuntimeH.value} h are assumed`,
    'Ask the household how long an outage it wants to ride out.',
    [{ requiredRuntimeH: requiredRuntimeH.value / 2 }, { requiredRuntimeH: requiredRuntimeH.value * 2 }],
  );
  asking(
    'designSeason',
    designSeason.assumed,
    `Design season: ${designSeason.value} is assumed`,
    'Ask in which season outages come and hurt.',
    seasons.filter((season) => season !== designSeason.value).map((season) => ({ designSeason: season })),
  );
  asking(
    'sizeForYear',
    sizeForYear.assumed,
    `Sized for year ${sizeForYear.value} of the battery’s life, as is usual`,
    'Ask how long it shall meet the required runtime.',
    [{ sizeForYear: 0 }, { sizeForYear: 15 }],
  );
  asking(
    'batteryTemperatureC',
    batteryTemperatureC.assumed,
    `Battery temperature: ${quantityText(batteryTemperatureC.value, '°C', plan.site.units)} is assumed`,
    'See where it will stand, and measure or ask how cold it gets there.',
    [{ batteryTemperatureC: -5 }, { batteryTemperatureC: 20 }],
  );
  asking(
    'transferGapToleranceMs',
    transferGapToleranceMs.assumed,
    'Transfer gap: lights may blink, as is assumed',
    'Ask for computers, medical equipment and controls that must not notice.',
    [{ transferGapToleranceMs: 20 }],
  );
  asking(
    'handsOn',
    settings.handsOn.assumed,
    'Nobody is counted on to switch things off, as is assumed',
    'Ask who is home, and whether they will walk to the panel.',
    [{ handsOn: true }],
  );
  asking(
    'powerBasis',
    settings.powerBasis.assumed,
    'Running power is that of loads as they cycle, as is assumed',
    'Ask whether the household accepts limits, or wants everything at once.',
    [{ powerBasis: 'all-at-once' }],
  );
  if (plan.brief.goals.ownSolar !== 'none') {
    asking(
      'surplusSolarWhPerDay',
      settings.surplusSolarWhPerDay.assumed,
      'Surplus solar of a usual day is not known',
      'Read it off the meter’s export, or work it out in Outage.',
      [{ surplusSolarWhPerDay: 5000 }, { surplusSolarWhPerDay: 12_000 }],
    );
  }
  return points;
}
