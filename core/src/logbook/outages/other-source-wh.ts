import { type OutageSample, otherSourceW } from '../../commissioning/details.js';

/** Energy that something beside the sun fed into the battery in a stretch of a recording, the generator as a rule, Wh. */
export function otherSourceWh(samples: readonly OutageSample[], fromS: number, toS: number): number {
  let wh = 0;
  for (let index = 1; index < samples.length; index += 1) {
    const { second, batteryW, solarW, isOnGrid } = samples[index]!;
    if (second < fromS || second > toS || isOnGrid === true || batteryW === null) continue;
    const beside = -batteryW - (solarW ?? 0);
    if (beside > otherSourceW) wh += (beside * (second - samples[index - 1]!.second)) / 3600;
  }
  return wh;
}
