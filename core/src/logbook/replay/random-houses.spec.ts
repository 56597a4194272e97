import { describe, expect, it } from 'vitest';
import { randomBuilt } from '../../commissioning/testing/random-built.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { newLoggedOutage } from '../../house/index.js';
import { outageWeather } from '../../study/details.js';
import { knownOutage } from '../outages/known-outage.js';
import { outagesInSamples } from '../outages/outages-in-samples.js';
import { simulatedOutage } from '../simulated/simulated-outage.js';
import { minuteOfYear } from './minute-of-year.js';
import { replayOutage } from './replay-outage.js';

/** Houses that are tried; the long proofs try fifty. */
const count = process.env['LEVAMEN_PROVE'] === undefined ? 8 : 50;
const from = '2026-10-20T20:00:00Z';
const awayH = 9;

describe(`outages of ${count} random houses`, () => {
  const rests = randomBuilt(count).flatMap(({ design, islandId, simulate }, index) => {
    const { plan } = design;
    const parts = design.islands.find(({ island }) => island.id === islandId)!.stack!.parts;
    const { zoneH } = outageWeather(plan, null);
    const house = simulate(100 + index, minuteOfYear(from, zoneH) - 2, 0.9);
    const { samples, outdoorC } = simulatedOutage(house, awayH);
    const [span] = outagesInSamples(samples);
    const emptyS = span!.emptyS;
    const outage = newLoggedOutage({
      id: 'o',
      name: 'Outage',
      islandId,
      from,
      source: 'gateway',
      lastedH: awayH,
      emptyAfterH: emptyS === null ? null : (emptyS - span!.awayS) / 3600,
      outdoorC: Math.round(outdoorC),
    });
    const study = {
      plan: { ...plan, brief: { ...plan.brief, sizeForYear: 0 } },
      islandId,
      parts,
      weather: null,
    };
    const told = replayOutage(
      { study, known: knownOutage(outage, samples), measured: null },
      builtInCatalogue,
    );
    return told && told.was !== null ? [told] : [];
  });

  it('are told of nearly all', () => {
    expect(rests.length).toBeGreaterThanOrEqual(count - 1);
  });

  it('are explained by what is known of them, but for what differs unseen', () => {
    for (const { outcome, rest, was, reasons, known, predicted } of rests) {
      const sum = reasons.reduce((all, { effect }) => all + effect, 0);
      expect(sum).toBeCloseTo(known.mean - predicted.mean, 6);
      // Two deviations of capacity, and of losses and stand-by, of what was taken.
      expect(Math.abs(rest!)).toBeLessThan(outcome === 'hours' ? 0.15 * was! : 0.09);
    }
  });
});
