import { setting, type Setting } from '../../base/index.js';
import type { Brief } from '../brief/brief.schema.js';
import type { Sources } from '../sources/sources.schema.js';
import type { DailyUse, Strategy } from './daily-use.schema.js';
import type { Finance } from './finance.schema.js';

/** Daily use with every unknown filled by a stated default. */
export interface DailySettings {
  readonly strategy: Setting<Strategy>;
  readonly heldBack: Setting<number>;
  readonly years: Setting<number>;
  readonly discountRate: Setting<number>;
  readonly priceRise: Setting<number>;
}

export function dailySettingsOf({
  dailyUse,
  finance,
  brief,
  sources,
}: {
  readonly dailyUse: DailyUse;
  readonly finance: Finance;
  readonly brief: Pick<Brief, 'goals'>;
  readonly sources: Pick<Sources, 'arrays'>;
}): DailySettings {
  const { goals } = brief;
  const wished: readonly [Strategy, string] =
    goals.peakPrice !== 'none'
      ? ['prices', 'the brief wants to dodge dear hours']
      : goals.ownSolar !== 'none' && sources.arrays.length > 0
        ? ['own-solar', 'the brief wants the own sun used']
        : ['kept-full', 'the brief asks for outages only'];
  return {
    strategy: setting<Strategy>(dailyUse.strategy, ...wished),
    heldBack: setting(
      dailyUse.heldBack,
      0.3,
      'what many hold back where outages matter (common practice, no source)',
    ),
    years: setting(finance.years, 15, 'a battery lasts ten to fifteen years (common practice, no source)'),
    discountRate: setting(
      finance.discountRate,
      0.04,
      'about what money lent for years earns; the household’s own rate is better',
    ),
    priceRise: setting(finance.priceRise, 0.02, 'nobody knows: about what other prices do'),
  };
}
