import { setting, type Setting } from '../../base/index.js';
import type { Season } from '../../nature/index.js';
import type { Chemistry } from '../../electric/index.js';
import type { Site } from '../../house/index.js';
import type { Sources } from '../sources/sources.schema.js';
import type { Brief, OutageWeather, PowerBasis } from './brief.schema.js';

export interface Settings {
  readonly requiredRuntimeH: Setting<number>;
  readonly designSeason: Setting<Season>;
  readonly sizeForYear: Setting<number>;
  readonly outageDepth: Readonly<Record<Chemistry, Setting<number>>>;
  readonly dailyDepth: Readonly<Record<Chemistry, Setting<number>>>;
  readonly batteryTemperatureC: Setting<number>;
  readonly transferGapToleranceMs: Setting<number>;
  readonly handsOn: Setting<boolean>;
  readonly powerBasis: Setting<PowerBasis>;
  readonly outageWeather: Setting<OutageWeather>;
  /** Share of the time that the running demand must stay below the continuous limit. */
  readonly coincidence: Setting<number>;
  readonly surplusSolarWhPerDay: Setting<number>;
  readonly floorAreaM2: Setting<number>;
}

const coolSeasonC: Readonly<Record<Season, number>> = { winter: 8, shoulder: 15, summer: 32 };

interface Said {
  readonly brief: Brief;
  readonly site: Site;
  readonly sources: Pick<Sources, 'arrays'>;
}

/** The brief with every unknown filled by a stated default. */
export function settingsOf({ brief, site, sources }: Said): Settings {
  const nearEquator = site.latitudeDeg !== null && Math.abs(site.latitudeDeg) < 30;
  const designSeason = setting<Season>(
    brief.designSeason,
    nearEquator ? 'summer' : 'winter',
    nearEquator
      ? 'below 30° of latitude cooling decides'
      : 'storms and heating come together in winter, and the sun is short',
  );
  const handsOn = setting(brief.handsOn, false, 'count on nobody walking to the panel');
  const allAtOnce = brief.powerBasis === 'all-at-once';
  return {
    requiredRuntimeH: setting(brief.requiredRuntimeH, 24, 'one day is what most households ask for first'),
    designSeason,
    sizeForYear: setting(brief.sizeForYear, 10, 'the usual length of a battery warranty'),
    outageDepth: {
      lithium: setting(
        brief.outageDepth,
        1,
        'in an emergency a lithium unit may be emptied as far as it allows',
      ),
      'lead-acid': setting(brief.outageDepth, 0.5, 'lead-acid is kept above half (common practice)'),
    },
    dailyDepth: {
      lithium: setting(brief.dailyDepth, 0.8, 'four fifths day by day (common practice)'),
      'lead-acid': setting(brief.dailyDepth, 0.5, 'half day by day (common practice)'),
    },
    batteryTemperatureC: setting(
      brief.batteryTemperatureC,
      coolSeasonC[designSeason.value],
      'an unheated garage in the design season',
    ),
    transferGapToleranceMs: setting(
      brief.transferGapToleranceMs,
      1000,
      'lights may blink, clocks may need setting',
    ),
    handsOn,
    powerBasis: setting<PowerBasis>(
      brief.powerBasis,
      'coincident',
      'loads that cycle rarely run all together',
    ),
    outageWeather: setting<OutageWeather>(
      brief.outageWeather,
      sources.arrays.length > 0 ? 'hard' : 'no-sun',
      sources.arrays.length > 0
        ? 'after a storm it stays overcast: count on the sun of a hard spell'
        : 'there is no sun to count on',
    ),
    coincidence: allAtOnce
      ? { value: 1, assumed: false, why: '' }
      : {
          value: handsOn.value ? 0.95 : 0.999,
          assumed: true,
          why: handsOn.value
            ? 'a hands-on household watches what it switches on'
            : 'nobody may be home to switch things off after a trip',
        },
    surplusSolarWhPerDay: setting(brief.surplusSolarWhPerDay, 0, 'no surplus solar has been entered'),
    floorAreaM2: setting(site.floorAreaM2, 185.8, 'a house of 2,000 ft²'),
  };
}
