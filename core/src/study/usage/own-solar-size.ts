import { derived, type Figure, given } from '../../base/index.js';
import type { Chemistry } from '../../electric/index.js';
import { dayPartFacts, seasonDayWh, usualShareWh } from '../../house/index.js';
import type { Plan } from '../../design/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { settingFigure } from '../margins/setting-figures.js';

/** What comes back of what goes into a battery and out again (common practice, no source). */
const roundTrip: Readonly<Record<Chemistry, number>> = { lithium: 0.88, 'lead-acid': 0.75 };

/** The battery that own solar alone asks for, before any unit is chosen. */
export interface OwnSolarSize {
  /** From 16 to 6, by the loads; by the bills where nothing is listed; null where neither is there. */
  readonly eveningAndNight: Figure | null;
  /** Put in on a usual day. */
  readonly stored: Figure;
  /** Nameplate by chemistry: stored ÷ the window used day by day. */
  readonly nameplate: Readonly<Record<Chemistry, Figure>>;
}

const longNight = (['evening', 'night'] as const).flatMap((part) => dayPartFacts[part].hours);

/** Evening and night of a house, Wh; null where neither loads nor bills tell. */
function eveningAndNightFigure(context: DemandContext): Figure | null {
  const { plan, eveningWh, nightWh, settings } = context;
  const season = settings.designSeason.value;
  const base = { key: 'ownSolar.night', label: 'Evening and night, 16 to 6', unit: 'Wh' } as const;
  if (plan.loads.length > 0)
    return given({
      ...base,
      value: eveningWh + nightWh,
      source: { kind: 'derived' },
      assumptions: [`all loads of the house on a day of ${season}, without those that take spare sun only`],
    });
  const billed = seasonDayWh(plan.usage, plan.site);
  if (!billed) return null;
  return given({
    ...base,
    value: usualShareWh(billed[season], longNight),
    source: { kind: 'bills' },
    assumptions: [`a day of ${season} by the bills, spread as a house usually is (common practice)`],
  });
}

/**
 * Size of a battery for surplus solar: no more is stored than is left over, and no more than evening and night take.
 *
 * @returns null where nobody has said what is left over
 */
export function ownSolarSize(plan: Plan): OwnSolarSize | null {
  if (plan.brief.surplusSolarWhPerDay === null) return null;
  const context = demandContextOf(plan);
  const { settings } = context;
  const eveningAndNight = eveningAndNightFigure(context);
  const surplus = settingFigure(
    'surplusSolarWhPerDay',
    'Surplus solar a day',
    settings.surplusSolarWhPerDay,
    'Wh',
  );
  const wantedWh = eveningAndNight ? eveningAndNight.value / roundTrip.lithium : Infinity;
  const stored = derived({
    key: 'ownSolar.stored',
    label: 'Stored on a usual day',
    value: Math.min(surplus.value, wantedWh),
    unit: 'Wh',
    formula: eveningAndNight
      ? 'the smaller of {surplus} and {night} ÷ {roundTrip}'
      : '{surplus}, as nothing is known of the night',
    inputs: {
      surplus,
      ...(eveningAndNight
        ? {
            night: eveningAndNight,
            roundTrip: given({
              key: 'ownSolar.roundTrip',
              label: 'Out of the battery for what goes in',
              value: roundTrip.lithium,
              unit: 'share',
              source: { kind: 'common-practice' },
            }),
          }
        : {}),
    },
    assumptions: eveningAndNight ? [] : ['the night takes all of it'],
  });
  const nameplate = (chemistry: Chemistry, label: string): Figure => {
    const window = settings.dailyDepth[chemistry];
    return derived({
      key: `ownSolar.nameplate.${chemistry}`,
      label,
      value: stored.value / window.value,
      unit: 'Wh',
      formula: '{stored} ÷ {window}',
      inputs: { stored, window: settingFigure('dailyDepth', 'Depth used day by day', window, 'share') },
    });
  };
  return {
    eveningAndNight,
    stored,
    nameplate: {
      lithium: nameplate('lithium', 'Battery for it, lithium'),
      'lead-acid': nameplate('lead-acid', 'Battery for it, lead-acid'),
    },
  };
}
