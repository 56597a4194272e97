import { given, nameList } from '../../base/index.js';
import { basisSource, type Load } from '../../house/index.js';
import { legsOf } from '../../electric/index.js';
import type { Island, Plan } from '../../design/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { LikelyCause, Step } from './step.js';

/** What a load draws beside its nameplate, and what a sensor shows beside the truth (common practice, no source). */
const loadShare = 0.2;
const sensorW = 50;
/** Batteries beside each other that are charged alike, share (common practice, no source). */
const mostSpread = 0.05;
/** How far a clock may be off (common practice, no source), s. */
const mostClockS = 120;
const clockCause = 'It is set to another time zone, was never set, or has no connection to set itself by';
/** Of the questions asked so many are answered (common practice, no source). */
const leastAnswered = 0.98;

/** The load of one leg that tells a sensor best: large, and switched on by hand. */
function knownLoad(plan: Plan, leg: string): Load | null {
  const onLeg = plan.loads.filter(
    ({ legs, runningPowerW }) => runningPowerW > 0 && legsOf(legs).length === 1 && legs === leg,
  );
  const handy = onLeg.filter(({ start, runningPowerW }) => start.how === 'none' && runningPowerW <= 3000);
  return (handy.length > 0 ? handy : onLeg).toSorted((a, b) => b.runningPowerW - a.runningPowerW)[0] ?? null;
}

/** What is likely of a sensor that shows another rise than the load it should see. */
const sensorCauses = (watts: number, off: number): LikelyCause[] => [
  { from: -Infinity, to: -0.5 * watts, text: 'The sensor is turned round' },
  {
    from: -0.5 * watts,
    to: 0.2 * watts,
    text: 'It clips another conductor: two sensors are exchanged, or this one is not plugged in',
  },
  { from: 0.2 * watts, to: 0.7 * watts, text: 'Its ratio is set to half, or it sees one of two conductors' },
  {
    from: Math.min(0.7 * watts, watts - off),
    to: 1.6 * watts,
    text: 'The load takes another power than the design has: measure it with a clamp',
  },
  { from: 1.6 * watts, to: Infinity, text: 'Its ratio is set too high, or its conductor passes it twice' },
];

function sensorStep(plan: Plan, id: string, name: string, leg: string): Step[] {
  const load = knownLoad(plan, leg);
  if (!load) return [];
  const watts = load.runningPowerW;
  const off = watts * loadShare + sensorW;
  return [
    {
      id: `sensor:${id}:${leg}`,
      phase: 'talk',
      title: `Sensors, ${leg}, when ${load.name} goes on: ${name}`,
      how: `Read what ${leg} shows, switch ${load.name} on, and write down by how much it rises; what is taken from the grid counts upwards.`,
      why: 'A sensor that is turned or exchanged lets the battery discharge into the grid, or charge from it.',
      care: null,
      asks: {
        kind: 'measure',
        unit: 'W',
        predicted: given({
          key: `sensor:${id}:${leg}`,
          label: `Power of ${load.name}`,
          value: watts,
          unit: 'W',
          source: basisSource(load.basis),
        }),
        least: watts - off,
        most: watts + off,
        bounds: `${loadShare * 100} % and ${sensorW} W (common practice, no source)`,
        causes: sensorCauses(watts, off),
      },
      makeSafe: '',
      probe: { show: 'rise', leg, loadId: load.id },
    },
  ];
}

const clockStep = ({ id, name }: Island): Step => ({
  id: `clock:${id}`,
  phase: 'talk',
  title: `Clock, ahead of the true time: ${name}`,
  how: 'Time the system or its portal shows, less that of a telephone; the time zone counts.',
  why: 'A clock that is off moves every tariff and every record of an outage.',
  care: null,
  asks: {
    kind: 'measure',
    unit: 's',
    predicted: null,
    least: -mostClockS,
    most: mostClockS,
    bounds: `± ${mostClockS} s (common practice, no source)`,
    causes: [
      { from: -Infinity, to: -mostClockS, text: clockCause },
      { from: mostClockS, to: Infinity, text: clockCause },
    ],
  },
  makeSafe: '',
  probe: { show: 'clock' },
});

const answersStep = ({ id, name }: Island): Step => ({
  id: `answers:${id}`,
  phase: 'talk',
  title: `Questions that its devices answer: ${name}`,
  how: 'Share of a minute’s questions that were answered, over the network the portal will use.',
  why: 'What is lost now is lost in an outage as well, and alarms with it.',
  care: null,
  asks: {
    kind: 'measure',
    unit: 'share',
    predicted: null,
    least: leastAnswered,
    most: null,
    bounds: `At least ${leastAnswered * 100} % (common practice, no source)`,
    causes: [
      {
        from: -Infinity,
        to: leastAnswered,
        text: 'The network drops answers: a weak radio link, a loose plug, an address somebody else has too',
      },
    ],
  },
  makeSafe: '',
  probe: { show: 'answers' },
});

/** That sensors look the right way, and that every battery answers once. */
export function whatSpeaks({ plan, wired, islands }: DesignInHand): Step[] {
  const legs = [...new Set(plan.loads.flatMap(({ legs: set }) => legsOf(set)))].toSorted();
  const sensors = wired.graph.accessories.filter(({ kind }) => kind === 'sensors');
  const ofIslands = islands.flatMap(({ island, stack }): Step[] => {
    if (!stack) return [];
    const units = stack.batteries.reduce((sum, { quantity }) => sum + quantity, 0);
    const count = given({
      key: `batteries:${island.id}`,
      label: `Batteries of ${island.name}: ${nameList(stack.batteries.map(({ unit, quantity }) => `${quantity} × ${unit.name}`))}`,
      value: units,
      unit: 'count',
      source: { kind: 'user' },
    });
    return [
      {
        id: `batteries:${island.id}`,
        phase: 'talk',
        title: `Batteries that answer: ${island.name}`,
        how: 'As many as the inverter or its portal lists, each with a serial number of its own.',
        why: 'What does not answer does not discharge, and is missing in an outage.',
        care: null,
        asks: {
          kind: 'measure',
          unit: 'count',
          predicted: count,
          least: units,
          most: units,
          bounds: 'as many as the design has',
          causes: [
            {
              from: -Infinity,
              to: units - 0.5,
              text: 'An address is given twice, a cable between them is loose, or the last one is not closed off',
            },
            {
              from: units + 0.5,
              to: Infinity,
              text: 'A battery of another stack answers, or one answers under two addresses',
            },
          ],
        },
        makeSafe: '',
        probe: { show: 'batteries' },
      },
      ...(units > 1
        ? [
            {
              id: `spread:${island.id}`,
              phase: 'talk' as const,
              title: `Charges apart: ${island.name}`,
              how: 'Charge of the fullest less that of the emptiest, as they report it, before they are joined.',
              why: 'Joined at different charges, one empties itself into the other.',
              care: null,
              asks: {
                kind: 'measure' as const,
                unit: 'share' as const,
                predicted: null,
                least: null,
                most: mostSpread,
                bounds: `At most ${mostSpread * 100} % (common practice, no source)`,
                causes: [
                  {
                    from: mostSpread,
                    to: Infinity,
                    text: 'One has stood longer, or was not charged with the others',
                  },
                ],
              },
              makeSafe: 'Leave the fuller one open, and charge the others up to it first.',
              probe: { show: 'spread' as const },
            },
          ]
        : []),
      question('talk', {
        id: `firmware:${island.id}`,
        title: `Firmware: ${island.name}`,
        how: 'The version its maker asks for, the same in all units. Write the versions into the note.',
        why: 'Units of different versions do not always share their load.',
        causes: ['An update waits, or the gateway has no connection'],
      }),
      clockStep(island),
      answersStep(island),
    ];
  });
  return [
    ...sensors.flatMap(({ id, name }) => legs.flatMap((leg) => sensorStep(plan, id, name, leg))),
    ...ofIslands,
  ];
}
