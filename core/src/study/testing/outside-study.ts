import type { OutsideGroup } from '../../base/testing/outside.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { heatPumpCopShare } from '../outage/heat-pump-cop.js';
import { playOutage } from '../outage/play-outage.js';
import { startDemand } from '../starts/start-demand.js';
import { anOutageYear } from './outages.js';

const where = 'study/testing/outside-study.ts';

/** Hours a full battery of 10 kWh without losses carries a load that runs around the clock, as outages are played. */
const playedH = (watts: number): number => {
  const load = aLoad({ runningPowerW: watts, use: allSeasons(aroundTheClock), legs: 'L1-L2' });
  return playOutage(anOutageYear({ loads: [load] }), 0, 11 * 1440).survivedMin / 60;
};

const motor = (horsepower: number, letter: 'G' | 'J' | 'K', voltageV: number, legs: 'L1' | 'L1-L2'): number =>
  startDemand(
    'split-120-240',
    aLoad({
      runningPowerW: 700,
      legs,
      voltageV,
      start: { how: 'codeLetter', letter, horsepower, durationS: 1 },
    }),
  )!.startA;

export const outsideStudy: readonly OutsideGroup[] = [
  {
    title: 'Runtime at constant load, played minute by minute',
    kind: 'practice',
    source: 'common practice, no source; at high power the last of the charge is not given',
    where,
    unit: 'h',
    values: (
      [
        ['10 kWh at 5 kW', 5000, 2],
        ['10 kWh at 2 kW', 2000, 5],
        ['10 kWh at 1.5 kW', 1500, 6.67],
        ['a refrigerator of 2 kWh a day', 2000 / 24, 120],
        ['a refrigerator of 1 kWh a day', 1000 / 24, 240],
      ] as const
    ).map(([what, watts, expected]) => ({
      what,
      expected,
      within: watts > 4000 ? 0.07 : 0.02,
      measure: () => playedH(watts),
    })),
  },
  {
    title: 'Locked-rotor current by code letter',
    kind: 'example',
    source: 'NEC 430.7(B): kVA a horsepower × horsepower ÷ volts (recalled), worked by hand',
    where,
    unit: 'A',
    values: [
      {
        what: '1 hp, J, 230 V',
        expected: 8000 / 230,
        within: 0.2,
        measure: () => motor(1, 'J', 230, 'L1-L2'),
      },
      {
        what: '1½ hp, K, 230 V',
        expected: 13_500 / 230,
        within: 0.2,
        measure: () => motor(1.5, 'K', 230, 'L1-L2'),
      },
      {
        what: '½ hp, G, 115 V',
        expected: 3150 / 115,
        within: 0.2,
        measure: () => motor(0.5, 'G', 115, 'L1'),
      },
    ],
  },
  {
    title: 'COP of a heat pump over that at 47 °F',
    kind: 'practice',
    source: 'rating points of AHRI 210/240 (recalled); COP 3.6 and 2.4 there are common practice',
    where,
    unit: 'share',
    values: [
      { what: '47 °F', expected: 1, within: 1e-9, measure: () => heatPumpCopShare(8.3) },
      { what: '17 °F', expected: 2 / 3, within: 1e-9, measure: () => heatPumpCopShare(-8.3) },
    ],
  },
];
