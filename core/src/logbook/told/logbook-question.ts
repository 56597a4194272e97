import type { OutageSample } from '../../commissioning/details.js';
import type { Plan } from '../../design/index.js';
import type { StackPart } from '../../equipment/index.js';
import type { WeatherYear } from '../../nature/index.js';

/** A house with its logbook, of which it is asked what its outages tell of one island. */
export interface LogbookQuestion {
  readonly plan: Plan;
  readonly islandId: string;
  readonly parts: readonly StackPart[];
  /** The year of weather that is reckoned with, where one was read. */
  readonly weather: WeatherYear | null;
  /** Years of weather that outages name as theirs. */
  readonly years: readonly { readonly id: string; readonly year: WeatherYear }[];
  /** What was recorded, by the recording: of outages of the logbook, and of staged ones. */
  readonly recordings: readonly {
    readonly id: string;
    /** When it began, ISO. */
    readonly beganAt: string;
    readonly samples: readonly OutageSample[];
  }[];
}
