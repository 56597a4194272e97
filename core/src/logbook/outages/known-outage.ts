import type { OutageSample } from '../../commissioning/details.js';
import type { LoggedOutage } from '../../house/index.js';
import type { WeatherYear } from '../../nature/index.js';
import { courseOfSamples, type RecordedCourse } from './course-of-samples.js';
import { otherSourceWh } from './other-source-wh.js';
import { outagesInSamples } from './outages-in-samples.js';

/** An outage with everything that is known of it: what was recorded counts before what was typed. */
export interface KnownOutage {
  readonly outage: LoggedOutage;
  readonly minutes: number;
  /** Until the battery was empty, min; null = it held. */
  readonly emptyMin: number | null;
  /** Until the house was dark, or the grid was back, min. */
  readonly litMin: number;
  readonly startCharge: number | null;
  readonly endCharge: number | null;
  /** What the generator gave, Wh; null = nobody knows. */
  readonly generatorWh: number | null;
  /** null = nothing was recorded. */
  readonly course: RecordedCourse | null;
  readonly samples: readonly OutageSample[];
  /** The year of weather it really was; null = nobody has it. */
  readonly weather: WeatherYear | null;
}

/**
 * @param samples of its recording; none where there is none
 * @param weather the year it really was, where somebody has it
 */
export function knownOutage(
  outage: LoggedOutage,
  samples: readonly OutageSample[],
  weather: WeatherYear | null = null,
): KnownOutage {
  const minutes = Math.max(1, Math.round(outage.lastedH * 60));
  const emptyMin = outage.emptyAfterH === null ? null : Math.max(1, Math.round(outage.emptyAfterH * 60));
  const litMin = Math.min(minutes, Math.floor(emptyMin ?? minutes));
  const [span] = outagesInSamples(samples);
  if (!span)
    return {
      outage,
      minutes,
      emptyMin,
      litMin,
      startCharge: outage.startCharge,
      endCharge: outage.endCharge,
      generatorWh: outage.generatorWh,
      course: null,
      samples: [],
      weather,
    };
  const course = courseOfSamples(samples, span.awayS, minutes);
  const before = samples.findLast(({ second, charge }) => second <= span.awayS && charge !== null);
  return {
    outage,
    minutes,
    emptyMin,
    litMin,
    startCharge: before?.charge ?? firstOf(course.charge) ?? outage.startCharge,
    endCharge: firstOf(course.charge.toReversed()) ?? outage.endCharge,
    generatorWh: outage.generatorWh ?? otherSourceWh(samples, span.awayS, span.awayS + minutes * 60),
    course,
    samples,
    weather,
  };
}

const firstOf = (series: Float32Array): number | null => series.find((value) => !Number.isNaN(value)) ?? null;
