import { noVoltageV, type OutageSample } from '../../commissioning/details.js';

/** An outage that a recording shows, s since it began. */
export interface OutageSpan {
  readonly awayS: number;
  /** The grid was back; null = it still was away at the end. */
  readonly backS: number | null;
  /** The battery was empty; null = it held. */
  readonly emptyS: number | null;
}

/** An outage that is shorter is a flicker, s. */
const shortestS = 60;
/** With less than this left the house went dark for want of energy, share. */
const emptyBelow = 0.06;

const isAway = ({ gridV, isOnGrid }: OutageSample): boolean | null =>
  gridV === null ? (isOnGrid === null ? null : !isOnGrid) : gridV < noVoltageV;

/** Outages in a recording, in their order: the grid was away, and for how long. */
export function outagesInSamples(samples: readonly OutageSample[]): OutageSpan[] {
  const spans: { awayS: number; backS: number | null; emptyS: number | null }[] = [];
  let present: (typeof spans)[number] | null = null;
  for (const sample of samples) {
    const away = isAway(sample);
    if (away === null) continue;
    if (away && !present) {
      present = { awayS: sample.second, backS: null, emptyS: null };
      spans.push(present);
    }
    if (!away && present) {
      present.backS = sample.second;
      present = null;
    }
    const isDark =
      (sample.legV[0] ?? noVoltageV) < noVoltageV && sample.charge !== null && sample.charge < emptyBelow;
    if (present && isDark) present.emptyS ??= sample.second;
  }
  return spans.filter(({ awayS, backS }) => backS === null || backS - awayS >= shortestS);
}
