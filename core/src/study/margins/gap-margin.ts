import { given } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import type { DemandContext } from './demand-context.js';
import { settingFigure } from './setting-figures.js';
import { margin, type Margin } from './margin.js';

/** Transfer gap of the equipment against what the household tolerates. */
export function gapMargin(context: DemandContext, stack: Stack): Margin {
  const tolerance = context.settings.transferGapToleranceMs;
  const { transferGapMs } = stack;
  const limitNotStated = transferGapMs === null;
  const ratio = limitNotStated ? Infinity : transferGapMs === 0 ? 0 : transferGapMs / tolerance.value;
  return margin({ key: 'gap', label: 'Transfer gap', ratio, binding: true, limitNotStated }, () => ({
    demand: given({
      key: 'stack.transferGap',
      label: 'Transfer gap of the equipment',
      value: transferGapMs ?? NaN,
      unit: 'ms',
      source: { kind: 'catalogue', unit: stack.inverter.name },
      assumptions: [
        'IT equipment rides through 20 ms of full dropout (ITIC curve, recalled)',
        'clocks, routers and contactors may not (common practice, no source)',
      ],
      levers: ['an in-line inverter instead of an AC-coupled battery behind a contactor'],
    }),
    limit: settingFigure('transferGapToleranceMs', 'Gap the household tolerates', tolerance, 'ms'),
    culprit: limitNotStated
      ? `the data sheet of ${stack.inverter.name} does not state its gap`
      : `${stack.inverter.name} sets the gap`,
    cure: limitNotStated
      ? 'Ask the maker for the transfer gap and enter it with the equipment.'
      : 'Choose equipment with a shorter transfer gap, or put sensitive equipment on its own small backup.',
  }));
}
