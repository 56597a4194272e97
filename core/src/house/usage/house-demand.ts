import { gap, milliToW, type Readings } from './readings.js';

/** What the house drew, got and gave in each interval, W; NaN where the data has a gap. */
export interface HouseDemand {
  /** From the grid. */
  readonly importW: Float32Array;
  /** To the grid. */
  readonly exportW: Float32Array;
  /** What the house itself used: import + solar − export. */
  readonly loadW: Float32Array;
  readonly hasExport: boolean;
  readonly hasSolar: boolean;
  /** Where it comes from. */
  readonly from: 'meter' | 'mains' | 'circuits';
}

/**
 * The demand of the whole house from the channels of its readings: the meter's registers where there are any, else the mains of
 * a circuit monitor (negative when feeding back), else the sum of its circuits.
 */
export function houseDemand({ channels, count, intervalS }: Readings): HouseDemand {
  const sum = (wanted: Readings['channels'], least = -Infinity): Float32Array | null => {
    if (wanted.length === 0) return null;
    const total = new Float32Array(count);
    for (const channel of wanted) {
      const factor = milliToW(channel, intervalS);
      const { milli } = channel;
      for (let i = 0; i < count; i += 1) {
        const value = milli[i]!;
        total[i]! += value === gap ? NaN : Math.max(least, value * factor);
      }
    }
    return total;
  };
  const of = (role: string): Readings['channels'] => channels.filter((channel) => channel.role === role);
  const solarW = sum(of('solar'), 0);
  const importing = sum(of('import'));
  const exporting = sum(of('export'));
  const mains = importing ? null : sum(of('mains'));
  const net = importing ?? mains ?? sum(of('circuit')) ?? new Float32Array(count).fill(NaN);
  const from = importing ? 'meter' : mains ? 'mains' : 'circuits';
  const importW = new Float32Array(count);
  const exportW = new Float32Array(count);
  const loadW = new Float32Array(count);
  const solarInside = solarW !== null && from !== 'circuits';
  for (let i = 0; i < count; i += 1) {
    const flow = net[i]!;
    const sent = exporting ? exporting[i]! : flow < 0 ? -flow : 0;
    importW[i] = Number.isNaN(flow) ? NaN : Math.max(0, flow);
    exportW[i] = Number.isNaN(flow) ? NaN : sent;
    loadW[i] = importW[i]! - exportW[i]! + (solarInside ? solarW[i]! : 0);
  }
  return {
    importW,
    exportW,
    // Without the solar channel what the house used behind the meter is not known; what it drew is.
    loadW: solarInside || !exporting ? loadW : importW,
    hasExport: exporting !== null || exportW.some((value) => value > 0),
    hasSolar: solarW !== null,
    from,
  };
}
