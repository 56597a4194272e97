import { derived, type Figure, type FigureUnit, given } from '../../base/index.js';
import type { UsageAnalysis } from '../../house/details.js';
import { existingLoadW } from '../../rules/index.js';

/** The figures of an analysis that stand at its head, each with its working. */
export interface UsageFigures {
  readonly day: Figure;
  readonly mean: Figure;
  readonly base: Figure;
  readonly night: Figure;
  readonly highest: Figure;
  readonly calculated: Figure;
  readonly diversity: Figure | null;
  readonly unmetered: Figure | null;
  readonly exported: Figure | null;
}

/** Puts the head figures of an analysis together. */
export function usageFigures(analysis: UsageAnalysis, name: string): UsageFigures {
  const stretch = `${name}, ${analysis.fromDay} to ${analysis.toDay}, every ${analysis.intervalS / 60} min`;
  const measured = (
    key: string,
    label: string,
    value: number,
    unit: FigureUnit,
    more: readonly string[] = [],
  ): Figure =>
    given({
      key: `usage.${key}`,
      label,
      value,
      unit,
      source: { kind: 'measured' },
      assumptions: [stretch, ...more],
    });
  const energy = measured('energy', 'Energy of the stretch', analysis.energyWh, 'Wh');
  const highest = measured('highest', 'Highest demand', analysis.highestW, 'W', [
    `at ${analysis.highestAt.replace('T', ' ')}`,
    analysis.intervalS > 900
      ? 'intervals longer than a quarter of an hour flatten the peak'
      : 'mean over a quarter of an hour of the clock',
  ]);
  return {
    day: derived({
      key: 'usage.day',
      label: 'Energy a day',
      value: analysis.energyWh / analysis.days,
      unit: 'Wh',
      formula: '{energy} ÷ {days} days',
      inputs: {
        energy,
        days: given({
          key: 'usage.days',
          label: 'Days',
          value: analysis.days,
          unit: 'count',
          source: { kind: 'measured' },
        }),
      },
    }),
    mean: measured('mean', 'Mean demand', analysis.meanW, 'W'),
    base: measured('base', 'Base load', analysis.baseW, 'W', ['the house is below it for 5 % of the time']),
    night: measured('night', 'Share used at night', analysis.nightShare, 'share', [
      'from 22 to 6 on the clock of the house',
    ]),
    highest,
    calculated: derived({
      key: 'usage.calculated',
      label: 'Existing load by measurement',
      value: existingLoadW(analysis.highestW),
      unit: 'W',
      formula: '125 % × {highest}',
      inputs: { highest },
      source: { kind: 'published', reference: 'NEC 2023, 220.87' },
      assumptions:
        analysis.days < 364
          ? [`only ${Math.round(analysis.days)} days were measured; the rule asks for a year`]
          : [],
    }),
    diversity: analysis.diversity
      ? derived({
          key: 'usage.diversity',
          label: 'Diversity of the circuits',
          value: analysis.diversity.factor,
          unit: 'share',
          formula: '{together} ÷ {apart}',
          inputs: {
            together: measured(
              'peakOfSum',
              'Peak of the sum of the circuits',
              analysis.diversity.peakOfSumW,
              'W',
            ),
            apart: measured(
              'sumOfPeaks',
              'Sum of the peaks of the circuits',
              analysis.diversity.sumOfPeaksW,
              'W',
            ),
          },
        })
      : null,
    unmetered:
      analysis.unmeteredWh === null
        ? null
        : measured(
            'unmetered',
            'Not explained by any circuit, a day',
            analysis.unmeteredWh / analysis.days,
            'Wh',
          ),
    exported:
      analysis.exportByHourWh === null
        ? null
        : measured('exported', 'Sent to the grid, a day', analysis.exportWh / analysis.days, 'Wh'),
  };
}
