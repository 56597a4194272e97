import { derived, given, quantityText } from '../../base/index.js';
import type { OutageWeather, Settings } from '../../design/index.js';
import { decidingHours } from './deciding-hours.js';
import type { SeasonOutlook } from './outlook-of.js';
import type { Cause } from './outage-state.js';
import { margin, type Margin } from '../margins/margin.js';

const shareOf: Readonly<Record<OutageWeather, string>> = {
  'no-sun': '19 of 20',
  hard: '19 of 20',
  usual: 'half',
};

const noBattery = 'more battery does not help.';
const onLeg = (leg: string) => ({
  words: `overload on ${leg}`,
  cure: `Move a load to another leg, shed one for want of room, or add an inverter: ${noBattery}`,
});

/** What ends an outage, where it is not the energy, and what cures that. */
const endings: Partial<Readonly<Record<Cause, { readonly words: string; readonly cure: string }>>> = {
  overload: {
    words: 'overload of the whole',
    cure: `Take a large load off, shed it for want of room, or add an inverter: ${noBattery}`,
  },
  'overload-l1': onLeg('L1'),
  'overload-l2': onLeg('L2'),
  'overload-l3': onLeg('L3'),
  'overload-battery': {
    words: 'an overload of the battery',
    cure: 'Take a large load off, shed it for want of room, or add a battery module: it gives power too.',
  },
  cold: {
    words: 'a battery too cold or too hot',
    cure: `Place the battery where it stays between its limits: ${noBattery}`,
  },
  starting: {
    words: 'a motor start',
    cure: `Fit a soft starter, keep motors from starting together, or add an inverter: ${noBattery}`,
  },
  fuel: {
    words: 'the end of the fuel',
    cure: 'Keep more fuel, run the generator less, or add battery energy.',
  },
};

/**
 * Required runtime against what simulated outages of the design season reach: 19 of 20 of them, or half where the brief counts
 * on usual weather.
 *
 * @param plain the margin by the closed formula: shortest runtime of a mean day, without sun
 * @param rough the outlook is carried on from another plan
 */
export function simulatedRuntimeMargin(
  settings: Settings,
  plain: Margin,
  outlook: SeasonOutlook,
  rough = false,
): Margin {
  const weather = settings.outageWeather.value;
  const reachedH = decidingHours(settings, outlook);
  const season = settings.designSeason.value;
  const required = settings.requiredRuntimeH.value;
  const years = weather === 'usual' ? outlook.yearsMedianH : outlook.yearsNineteenOfTwentyH;
  const [leastH, mostH] = [years[0]!, years.at(-1)!];
  const atLeast = reachedH >= outlook.followedH - 1e-6;
  const ending = weather === 'usual' ? outlook.usualEnding : outlook.hardEnding;
  const other = endings[ending.cause];
  return margin(
    {
      key: 'runtime',
      label: 'Runtime',
      ratio: required / Math.max(reachedH, 1e-9),
      // One of the years falls short of what all of them together reach.
      hardly: leastH < required,
      binding: plain.binding,
      limitAtLeast: atLeast,
      rough,
    },
    () => ({
      demand: plain.demand,
      limit: derived({
        key: 'outage.runtime',
        label: 'Runtime, simulated',
        value: reachedH,
        unit: 'h',
        formula: `what ${shareOf[weather]} of {count} reach${weather === 'no-sun' ? ', without sun' : ''}; by the closed formula, without sun, {plain}`,
        inputs: {
          count: given({
            key: 'outage.count',
            label: `Outages of ${season}, played minute by minute`,
            value: outlook.count,
            unit: 'count',
            source: { kind: 'derived' },
          }),
          plain: plain.limit,
        },
        assumptions: [
          `${quantityText(outlook.requiredShare, 'share')} of them reach the required ${quantityText(required, 'h')}; half reach ${quantityText(outlook.medianH, 'h')}, the shortest lasts ${quantityText(outlook.shortestH, 'h')}`,
          ...(atLeast
            ? [`each is followed for ${quantityText(outlook.followedH, 'h')}: it lasts at least that long`]
            : []),
          ...(years.length > 1
            ? [
                `${years.length} years of weather and switching are played; alone they give ${quantityText(leastH, 'h')} to ${quantityText(mostH, 'h')}`,
              ]
            : []),
          'weather, loads and sources are those under Conditions in Outage',
        ],
        levers: plain.limit.levers,
      }),
      culprit: other
        ? `Of the outages that decide here ${quantityText(ending.share, 'share')} end by ${other.words}`
        : plain.culprit,
      cure: other?.cure ?? plain.cure,
    }),
  );
}
