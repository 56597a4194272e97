import type { Settings } from '../../design/index.js';
import type { SeasonOutlook } from './outlook-of.js';

/** What is promised of an outage: the hours that 19 of 20 reach, or half where the brief counts on usual weather. */
export const decidingHours = (settings: Settings, outlook: SeasonOutlook): number =>
  settings.outageWeather.value === 'usual' ? outlook.medianH : outlook.nineteenOfTwentyH;
