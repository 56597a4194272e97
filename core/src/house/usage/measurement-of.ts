import type { UsageAnalysis } from './analyse-readings.js';
import { instantText } from './house-clock.js';
import type { Measurement } from './usage.schema.js';

const tenth = (value: number): number => Math.round(value * 10) / 10;

/** What a job keeps of an analysis: the figures that margins and papers rest on. */
export function measurementOf(setId: string, name: string, analysis: UsageAnalysis): Measurement {
  return {
    setId,
    name,
    fromDay: analysis.fromDay,
    toDay: analysis.toDay,
    intervalS: analysis.intervalS,
    highestW: tenth(analysis.highestW),
    highestAt: instantText(analysis.highestUtcS),
    meanW: tenth(analysis.meanW),
    baseW: tenth(analysis.baseW),
    channels: analysis.channels.map(({ name: channel, meanW, peakW }) => ({
      name: channel,
      meanW: tenth(meanW),
      peakW: tenth(peakW),
    })),
  };
}
