import type { House } from '../site/house.js';
import { houseZone } from '../site/house-zone.js';
import { simulatedChannels, simulatedMean } from '../monitor/simulated-house.js';
import { circuitsById } from '../panels/find-circuit.js';
import { analyseReadings } from '../usage/analyse-readings.js';
import { measurementOf } from '../usage/measurement-of.js';
import type { Readings } from '../usage/readings.js';
import { suggestCircuits } from '../usage/suggest-circuits.js';

const seed = 1;
const intervalS = 900;
const stepS = 300;
/** Midnight of 6 January 2025 on the clock of the demo house, and a year from there. */
const startS = Date.UTC(2025, 0, 6, 4) / 1000;
const offsetS = -4 * 3600;
const count = 365 * 96;

/** A year of quarter hours of the simulated monitor, as if it had been imported. */
export function demoReadings(): Readings {
  const channels = simulatedChannels.map((name) => ({
    name,
    role: name.startsWith('Mains') ? ('mains' as const) : ('circuit' as const),
    quantity: 'power' as const,
    milli: new Int32Array(count),
  }));
  for (let i = 0; i < count; i += 1) {
    const means = simulatedMean(seed, startS + i * intervalS, intervalS, offsetS, stepS);
    channels.forEach(({ milli }, c) => {
      milli[i] = Math.round(means[c]! * 10) * 100;
    });
  }
  return { startS, intervalS, count, channels };
}

/** A demo house with these readings: what they say, and which channel measures which circuit. */
export function withDemoReadings<H extends House>(
  house: H,
  setId: string,
  name: string,
  readings: Readings,
): H {
  const measurement = measurementOf(setId, name, analyseReadings(readings, houseZone(house.site)));
  const map = suggestCircuits(
    readings.channels.filter(({ role }) => role === 'circuit').map((channel) => channel.name),
    [...circuitsById(house.survey).values()].filter(({ circuit }) => circuit.use === 'circuit'),
  );
  const channelOf = new Map([...map].map(([channel, circuitId]) => [circuitId, channel]));
  return {
    ...house,
    usage: { ...house.usage, measurement },
    survey: {
      ...house.survey,
      panels: house.survey.panels.map((panel) => ({
        ...panel,
        circuits: panel.circuits.map((circuit) => ({ ...circuit, channel: channelOf.get(circuit.id) ?? '' })),
      })),
    },
  };
}
