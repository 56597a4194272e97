/** How a simulated circuit behaves. Powers in W, times in minutes and hours of the day. */
type Habit =
  | { readonly kind: 'steady'; readonly w: number }
  /** On and off by itself, round the clock. `winter` scales the on-time by the season. */
  | {
      readonly kind: 'cycle';
      readonly w: number;
      readonly onMin: number;
      readonly periodMin: number;
      readonly winter?: number;
    }
  /** Used now and then within some hours of the day. */
  | {
      readonly kind: 'events';
      readonly w: number;
      readonly perDay: number;
      readonly minutes: number;
      readonly from: number;
      readonly to: number;
      readonly chance?: number;
    }
  /** Heats when it is cold. */
  | { readonly kind: 'cold'; readonly w: number };

interface SimulatedCircuit {
  readonly name: string;
  readonly legs: readonly (0 | 1)[];
  readonly habits: readonly Habit[];
  /** Starting current over running current. */
  readonly inrush: number;
  /** What a switch on it turns on. */
  readonly switchedW: number;
  /** The sensor sits the wrong way round. */
  readonly turnedRound?: boolean;
}

const circuit = (
  name: string,
  legs: SimulatedCircuit['legs'],
  switchedW: number,
  habits: readonly Habit[],
  more: Partial<SimulatedCircuit> = {},
): SimulatedCircuit => ({ name, legs, habits, inrush: 1, switchedW, ...more });

const fridgeInrush = 6;

/** Thirty circuits of an invented house; with the two mains they make the 32 channels of the monitor. */
const circuits: readonly SimulatedCircuit[] = [
  circuit('Refrigerator', [0], 131, [{ kind: 'cycle', w: 131, onMin: 22, periodMin: 50 }], {
    inrush: fridgeInrush,
  }),
  circuit('Range', [0, 1], 3400, [
    { kind: 'events', w: 3400, perDay: 2, minutes: 35, from: 11, to: 19, chance: 0.7 },
  ]),
  circuit('Kitchen lights', [1], 48, [{ kind: 'events', w: 48, perDay: 2, minutes: 130, from: 6, to: 21 }]),
  circuit('Counter left', [0], 1450, [
    { kind: 'events', w: 1450, perDay: 3, minutes: 4, from: 7, to: 20 },
    { kind: 'events', w: 950, perDay: 1, minutes: 14, from: 6, to: 8 },
  ]),
  circuit(
    'Dryer',
    [0, 1],
    4900,
    [{ kind: 'events', w: 4900, perDay: 1, minutes: 50, from: 9, to: 19, chance: 0.45 }],
    { inrush: 1.5 },
  ),
  circuit('Counter right dishwasher', [1], 1200, [
    { kind: 'events', w: 1150, perDay: 1, minutes: 45, from: 19, to: 21, chance: 0.7 },
  ]),
  circuit('Boiler circulators', [0], 290, [{ kind: 'cycle', w: 320, onMin: 9, periodMin: 24, winter: 1 }], {
    inrush: 4,
  }),
  circuit('Water heater', [0, 1], 4300, [{ kind: 'cycle', w: 4300, onMin: 9, periodMin: 190 }]),
  circuit(
    'Laundry',
    [1],
    420,
    [{ kind: 'events', w: 380, perDay: 1, minutes: 55, from: 8, to: 17, chance: 0.5 }],
    {
      inrush: 3,
      turnedRound: true,
    },
  ),
  circuit('Living room', [0], 160, [
    { kind: 'events', w: 95, perDay: 2, minutes: 110, from: 17, to: 22 },
    { kind: 'events', w: 72, perDay: 1, minutes: 240, from: 16, to: 19 },
  ]),
  circuit('Well pump', [0, 1], 1900, [{ kind: 'cycle', w: 1900, onMin: 1.4, periodMin: 34 }], {
    inrush: 6.5,
  }),
  circuit('Bedrooms', [1], 70, [
    { kind: 'events', w: 64, perDay: 2, minutes: 70, from: 6, to: 22 },
    { kind: 'steady', w: 9 },
  ]),
  circuit('Internet office', [0], 110, [
    { kind: 'steady', w: 24 },
    { kind: 'events', w: 105, perDay: 2, minutes: 190, from: 8, to: 18 },
  ]),
  circuit('Heat tape porch', [0], 420, [{ kind: 'cold', w: 420 }]),
  circuit('Sump pump', [1], 600, [{ kind: 'cycle', w: 600, onMin: 0.8, periodMin: 58 }], { inrush: 5 }),
  circuit(
    'Garage door',
    [1],
    550,
    [
      { kind: 'steady', w: 4 },
      { kind: 'events', w: 550, perDay: 5, minutes: 0.4, from: 6, to: 22 },
    ],
    { inrush: 3 },
  ),
  circuit('Septic aerator', [1], 80, [{ kind: 'steady', w: 80 }], { inrush: 3 }),
  circuit('Bath', [0], 1500, [
    { kind: 'events', w: 1400, perDay: 2, minutes: 7, from: 6, to: 22, chance: 0.6 },
  ]),
  circuit('Car outlet', [1], 1400, [
    { kind: 'events', w: 1400, perDay: 1, minutes: 300, from: 21, to: 23, chance: 0.4 },
  ]),
  circuit('Upstairs east', [0], 60, [{ kind: 'events', w: 45, perDay: 3, minutes: 60, from: 7, to: 23 }]),
  circuit('Upstairs west', [0], 60, [{ kind: 'events', w: 38, perDay: 3, minutes: 50, from: 7, to: 23 }]),
  circuit('Barn lights', [0], 120, [{ kind: 'events', w: 120, perDay: 2, minutes: 40, from: 5, to: 20 }]),
  circuit('Barn freezer', [1], 110, [{ kind: 'cycle', w: 110, onMin: 26, periodMin: 64 }], {
    inrush: fridgeInrush,
  }),
  circuit('Hen house', [1], 90, [
    { kind: 'cold', w: 60 },
    { kind: 'events', w: 40, perDay: 1, minutes: 300, from: 4, to: 6 },
  ]),
  circuit('Hall', [0], 30, [{ kind: 'events', w: 28, perDay: 6, minutes: 14, from: 6, to: 23 }]),
  circuit('Cellar', [1], 40, [{ kind: 'events', w: 36, perDay: 2, minutes: 20, from: 7, to: 22 }]),
  circuit('Ventilation', [0], 34, [{ kind: 'steady', w: 34 }]),
  circuit('Outdoor', [1], 200, [{ kind: 'events', w: 26, perDay: 1, minutes: 400, from: 17, to: 18 }]),
  circuit(
    'Workshop',
    [0],
    900,
    [{ kind: 'events', w: 850, perDay: 2, minutes: 12, from: 9, to: 17, chance: 0.25 }],
    { inrush: 4 },
  ),
  circuit('Smoke alarms', [1], 6, [{ kind: 'steady', w: 6 }]),
];

const dayS = 86_400;
/** How long a start lasts, s. */
const inrushS = 0.5;
/** What no sensor sees, a leg. */
const unmeteredW = [38, 27] as const;

/** A number from 0 to 1 that only depends on its arguments. */
function chance(seed: number, a: number, b: number, c: number): number {
  let h = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(a + 0x7f4a7c15, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 15) ^ b, 0x27d4eb2f);
  h = Math.imul(h ^ (h >>> 13) ^ Math.imul(c + 1, 0x165667b1), 0x9e3779b1);
  return ((h ^ (h >>> 16)) >>> 0) / 4_294_967_296;
}

/** 1 in the middle of January, 0 in the middle of July. */
const coldness = (day: number): number => (1 + Math.cos(((day - 15) / 365.25) * 2 * Math.PI)) / 2;

interface Draw {
  readonly w: number;
  /** Seconds since it came on; Infinity for what always runs. */
  readonly sinceS: number;
}

function drawOf(habit: Habit, seed: number, id: number, index: number, localS: number): Draw {
  const day = Math.floor(localS / dayS);
  const second = localS - day * dayS;
  const off: Draw = { w: 0, sinceS: Infinity };
  switch (habit.kind) {
    case 'steady':
      return { w: habit.w, sinceS: Infinity };
    case 'cycle': {
      const periodS = habit.periodMin * 60;
      const shifted = localS + chance(seed, id, index, 7) * periodS;
      const turn = Math.floor(shifted / periodS);
      const season = habit.winter ? 0.25 + habit.winter * coldness(day) : 1;
      const onS = habit.onMin * 60 * season * (0.75 + 0.5 * chance(seed, id, index, turn));
      const at = shifted - turn * periodS;
      return at < onS ? { w: habit.w, sinceS: at } : off;
    }
    case 'events': {
      let [w, sinceS] = [0, Infinity];
      // What began yesterday evening may still run.
      for (let back = 0; back < 2; back += 1) {
        for (let event = 0; event < habit.perDay; event += 1) {
          const key = (day - back) * 16 + event;
          if (chance(seed, id, index + 31, key) > (habit.chance ?? 0.9)) continue;
          const beginS = (habit.from + (habit.to - habit.from) * chance(seed, id, index + 47, key)) * 3600;
          const at = second + back * dayS - beginS;
          const lengthS = habit.minutes * 60 * (0.5 + chance(seed, id, index + 59, key));
          if (at >= 0 && at < lengthS) {
            w = habit.w;
            sinceS = Math.min(sinceS, at);
          }
        }
      }
      return { w, sinceS };
    }
    case 'cold': {
      const cold =
        coldness(day + second / dayS) - 0.55 + 0.25 * Math.cos(((second / 3600 - 4) / 24) * 2 * Math.PI);
      return cold > 0.05 + 0.3 * chance(seed, id, index, day) ? { w: habit.w, sinceS: Infinity } : off;
    }
  }
}

/** Names of the channels: two mains, then the circuits. */
export const simulatedChannels: readonly string[] = [
  'Mains L1',
  'Mains L2',
  ...circuits.map(({ name }) => name),
];

/** A switch somebody threw: from then on the circuit's switched load is on. */
export type Switches = ReadonlyMap<string, number>;

export interface SimulatedSample {
  /** Power of each channel, W. */
  readonly powerW: Float64Array;
  /** Highest power of the last second, starts included, W. */
  readonly peakW: Float64Array;
}

/**
 * What the 32 channels of the simulated monitor show at a moment. The same arguments always give the same sample.
 *
 * @param seed chooses the house
 * @param atS seconds since 1970 in UTC
 * @param offsetS of the clock of the house from UTC
 * @param switches what was switched on by hand, and when
 */
export function simulatedSample(
  seed: number,
  atS: number,
  offsetS: number,
  switches: Switches = new Map(),
): SimulatedSample {
  const powerW = new Float64Array(simulatedChannels.length);
  const peakW = new Float64Array(simulatedChannels.length);
  const localS = atS + offsetS;
  const noise = (id: number): number => 0.985 + 0.03 * chance(seed, id, 3, Math.floor(atS));
  circuits.forEach(({ name, legs, habits, inrush, switchedW, turnedRound }, id) => {
    let w = 0;
    let sinceS = Infinity;
    let startingW = 0;
    habits.forEach((habit, index) => {
      const draw = drawOf(habit, seed, id, index, localS);
      w += draw.w;
      if (draw.sinceS < sinceS) [sinceS, startingW] = [draw.sinceS, draw.w];
    });
    const switchedS = switches.get(name);
    if (switchedS !== undefined && atS >= switchedS) {
      w += switchedW;
      if (atS - switchedS < sinceS) [sinceS, startingW] = [atS - switchedS, switchedW];
    }
    w *= noise(id);
    const surgeW = sinceS < 1 + inrushS && inrush > 1 ? startingW * (inrush - 1) : 0;
    const sign = turnedRound ? -1 : 1;
    powerW[id + 2] = sign * w;
    peakW[id + 2] = sign * (w + surgeW);
    for (const leg of legs) {
      powerW[leg]! += w / legs.length;
      peakW[leg]! += (w + surgeW) / legs.length;
    }
  });
  unmeteredW.forEach((w, leg) => {
    powerW[leg]! += w * noise(100 + leg);
    peakW[leg]! += w * noise(100 + leg);
  });
  return { powerW, peakW };
}

/** Mean power of every channel over an interval, W, from samples `stepS` apart (one at least). */
export function simulatedMean(
  seed: number,
  fromS: number,
  intervalS: number,
  offsetS: number,
  stepS = 60,
): Float64Array {
  const samples = Math.max(1, Math.round(intervalS / stepS));
  const mean = new Float64Array(simulatedChannels.length);
  for (let i = 0; i < samples; i += 1) {
    const { powerW } = simulatedSample(seed, Math.floor(fromS + ((i + 0.5) * intervalS) / samples), offsetS);
    for (let c = 0; c < mean.length; c += 1) mean[c]! += powerW[c]! / samples;
  }
  return mean;
}
