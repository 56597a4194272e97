import { setting, type Setting } from '../../base/index.js';
import { isAmerican, type Supply } from '../../electric/index.js';
import type { Site } from '../../house/index.js';
import { type Climate, typicalClimates } from '../../nature/index.js';
import type { Scenario } from './scenario.schema.js';

type Place = Pick<Climate, 'latitudeDeg' | 'longitudeDeg'>;

/** The outage part of a job with every unknown filled by a stated default. */
export interface OutageSettings {
  readonly climate: Setting<Climate>;
  readonly startCharge: Setting<number>;
  readonly keptForRestart: Setting<number>;
  readonly restoreAbove: Setting<number>;
  readonly snow: Setting<NonNullable<Scenario['snow']>>;
  readonly batteryPlace: Setting<NonNullable<Scenario['batteryPlace']>>;
  readonly resetAfterMin: Setting<number>;
}

const degree = Math.PI / 180;

/** Distance on the globe in degrees of a great circle: the haversine formula. */
const distanceDeg = (a: Place, b: Place): number => {
  const half = (deg: number): number => Math.sin((deg * degree) / 2) ** 2;
  const h =
    half(b.latitudeDeg - a.latitudeDeg) +
    Math.cos(a.latitudeDeg * degree) *
      Math.cos(b.latitudeDeg * degree) *
      half(b.longitudeDeg - a.longitudeDeg);
  return (2 * Math.asin(Math.min(1, Math.sqrt(h)))) / degree;
};

/**
 * The typical climate for a place: the nearest by real distance and likeness, where every degree of latitude between them counts
 * once more, since sun and warmth go with it (common practice, no source).
 *
 * @example nearestClimate(34, -84).id // 'mixed'
 */
export function nearestClimate(latitudeDeg: number, longitudeDeg: number): Climate {
  const off = (climate: Climate): number =>
    distanceDeg({ latitudeDeg, longitudeDeg }, climate) + Math.abs(climate.latitudeDeg - latitudeDeg);
  return typicalClimates.reduce((best, climate) => (off(climate) < off(best) ? climate : best));
}

export function outageSettingsOf({
  outage,
  site,
  supply,
}: {
  readonly outage: Scenario;
  readonly site: Site;
  readonly supply: Supply;
}): OutageSettings {
  const placed = site.latitudeDeg !== null;
  const nearest = placed
    ? nearestClimate(site.latitudeDeg!, site.longitudeDeg ?? 0)
    : typicalClimates.find(({ id }) => id === (isAmerican(supply.system) ? 'mixed' : 'central-europe'))!;
  const said = typicalClimates.find(({ id }) => id === outage.climateId) ?? null;
  return {
    climate: setting(
      said,
      nearest,
      placed ? 'the typical climate nearest to the place' : 'the place is not known',
    ),
    startCharge: setting(outage.startCharge, 1, 'the battery is full when the outage starts'),
    keptForRestart: setting(
      outage.keptForRestart,
      0,
      'nothing is kept back beyond what the units never let out',
    ),
    restoreAbove: setting(
      outage.restoreAbove,
      0.1,
      'a tenth above the threshold, so that it does not flutter',
    ),
    snow: setting(outage.snow, 'slides', 'no snow is counted: the roof is steep, or it does not lie'),
    batteryPlace: setting(outage.batteryPlace, 'as-said', 'the temperature in the brief holds all year'),
    resetAfterMin: setting(outage.resetAfterMin, 30, 'half an hour until somebody is at the inverter'),
  };
}
