import { derived, given } from '../../base/index.js';
import { islandPlan, usualReturnMin } from '../../design/index.js';
import { type Load, runningPowerVA } from '../../house/index.js';
import { demandContextOf, startDemand } from '../../study/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { Step } from './step.js';
import { pairsOf, voltage } from './voltages.js';

/** Beside what a data sheet says of the gap (common practice, no source): times, and what an instrument adds, ms. */
const gapTimes = 1.5;
const gapMs = 20;
/** An island’s frequency while it neither lifts nor lowers it (common practice, no source), Hz. */
const frequencyOffHz = 0.5;
/** What a clamp shows of a start of less than a second, share of what flows (common practice, no source). */
const clampLeast = 0.4;
const clampMost = 1.2;
const mostStarts = 3;
/** Solar inverters count from when they trust the island (common practice, no source): share of their time at least, s more at most. */
const returnLeast = 0.9;
const returnMoreS = 120;

/** The hardest starts on an island, hardest first. */
function hardestStarts(plan: DesignInHand['plan'], loads: readonly Load[]) {
  return loads
    .flatMap((load) => {
      const start = startDemand(plan.supply.system, load);
      return start ? [{ load, start }] : [];
    })
    .toSorted((a, b) => b.start.startVA - a.start.startVA)
    .slice(0, mostStarts);
}

/** The grid is taken away on purpose: the gap, the island, its starts, its sun and its generator. */
export function stagedOutage({ plan, wired, islands }: DesignInHand): Step[] {
  const { system, frequencyHz } = plan.supply;
  const mains = wired.graph.parts.flatMap(({ device }) =>
    device?.kind === 'main' && device.handle ? [device.name] : [],
  );
  return islands.flatMap(({ island, stack }): Step[] => {
    if (!stack) return [];
    const backed = demandContextOf(islandPlan(plan, island)).backupSet;
    const heavy = backed.toSorted((a, b) => runningPowerVA(b) - runningPowerVA(a))[0];
    const { transferGapMs } = stack;
    const most = transferGapMs === null ? null : transferGapMs * gapTimes + gapMs;
    return [
      question('island', {
        id: `away:${island.id}`,
        title: `The grid is taken away${mains.length > 0 ? ` at ${mains[0]}` : ''}: ${island.name} goes on`,
        how: 'On the grid’s side of the isolating device, with somebody at it; the household knows.',
        why: 'Everything else of an outage is watched from here on.',
        care: 'live',
        causes: [
          'The inverter was in another mode, its reserve was used up, or its load was above its limit',
        ],
        makeSafe: 'Give the grid back, and open the output breakers of the inverters.',
      }),
      {
        id: `gap:${island.id}`,
        phase: 'island',
        title: `Gap until ${island.name} has power again`,
        how: 'With an instrument that records the voltage; without one, leave it out and ask what people saw.',
        why: 'What does not bear the gap must stand behind a supply of its own.',
        care: null,
        asks: {
          kind: 'measure',
          unit: 'ms',
          predicted:
            transferGapMs === null
              ? null
              : given({
                  key: `gap:${island.id}`,
                  label: `Transfer gap of ${stack.inverter.name}`,
                  value: transferGapMs,
                  unit: 'ms',
                  source: { kind: 'catalogue', unit: stack.inverter.name },
                }),
          least: null,
          most,
          bounds: `${gapTimes} times what the data sheet says, and ${gapMs} ms (common practice, no source)`,
          causes:
            most === null
              ? []
              : [
                  {
                    from: most,
                    to: 10 * most,
                    text: 'The isolating device opens late, or the house drew more than the inverter carries',
                  },
                  { from: 10 * most, to: Infinity, text: 'It tripped first, and came by a retry' },
                ],
        },
        makeSafe: '',
      },
      ...pairsOf(system)
        .filter(({ name }) => stack.inverter.inverter?.output !== 'one' || name.startsWith('L1-N'))
        .map((pair): Step => ({
          id: `island:${island.id}:${pair.name}`,
          phase: 'island',
          title: `Island, ${pair.name}: ${island.name}`,
          how: 'At the backed-up panel, with loads on both sides of the neutral.',
          why: 'A neutral that is not formed lets one leg rise until what hangs on it is destroyed.',
          care: 'live',
          asks: voltage(`island:${island.id}:${pair.name}`, pair, system, true),
          makeSafe: 'Switch the inverter off at once, and give the grid back only when the neutral is found.',
        })),
      {
        id: `frequency:${island.id}`,
        phase: 'island',
        title: `Frequency of the island, no sun and the battery not full: ${island.name}`,
        how: 'At the backed-up panel, or as the inverter shows it.',
        why: 'Clocks, motors and solar inverters follow it.',
        care: 'live',
        asks: {
          kind: 'measure',
          unit: 'Hz',
          predicted: given({
            key: `frequency:${island.id}`,
            label: 'Frequency of the supply',
            value: frequencyHz,
            unit: 'Hz',
            source: { kind: 'user' },
          }),
          least: frequencyHz - frequencyOffHz,
          most: frequencyHz + frequencyOffHz,
          bounds: `± ${frequencyOffHz} Hz (common practice, no source)`,
          causes: [
            {
              from: 0,
              to: frequencyHz - frequencyOffHz,
              text: 'It is set for another frequency, or it gives way under its load',
            },
            {
              from: frequencyHz + frequencyOffHz,
              to: Infinity,
              text: 'It lifts the frequency to hold the sun back: the battery is full, or sun is there',
            },
          ],
        },
        makeSafe: '',
      },
      ...hardestStarts(plan, backed).map(({ load, start }): Step => ({
        id: `start:${island.id}:${load.id}`,
        phase: 'island',
        title: `Starts on the island: ${load.name}`,
        how: 'Largest current in one of its conductors while it starts, with a clamp that holds the peak; everything else of the household is on.',
        why: 'The inverter was chosen to start it.',
        care: 'live',
        asks: {
          kind: 'measure',
          unit: 'A',
          predicted: derived({
            key: `start:${load.id}`,
            label: `Starting current of ${load.name}`,
            value: start.startA,
            unit: 'A',
            formula: '{apparent} ÷ its voltage',
            inputs: {
              apparent: given({
                key: 'apparent',
                label: 'While it starts',
                value: start.startVA,
                unit: 'VA',
                source: { kind: 'typical' },
              }),
            },
          }),
          least: start.startA * clampLeast,
          most: start.startA * clampMost,
          bounds: `${clampLeast * 100} to ${clampMost * 100} %: a clamp rounds a start of less than a second (common practice, no source)`,
          causes: [
            {
              from: 0,
              to: start.startA * clampLeast,
              text: 'It has a soft starter, it was running already, or the clamp was too slow',
            },
            {
              from: start.startA * clampMost,
              to: Infinity,
              text: 'Another motor started with it, its start capacitor is weak, or it is another motor than the design has',
            },
          ],
        },
        makeSafe: '',
      })),
      ...plan.sources.arrays.map((array): Step => {
        const waitsS = (array.returnsAfterMin ?? usualReturnMin) * 60;
        return {
          id: `sun-back:${island.id}:${array.id}`,
          phase: 'island',
          title: `Solar feeds again after: ${array.name}`,
          how: 'From when the island has power until the array feeds it, in sun.',
          why: 'Each day of an outage rests on it.',
          care: null,
          asks: {
            kind: 'measure',
            unit: 's',
            predicted: given({
              key: `sun-back:${array.id}`,
              label: `Waiting time of ${array.name}`,
              value: waitsS,
              unit: 's',
              source:
                array.returnsAfterMin === null
                  ? { kind: 'assumed', why: 'as is usual of solar inverters' }
                  : { kind: 'user' },
            }),
            least: waitsS * returnLeast,
            most: waitsS + returnMoreS,
            bounds: `${returnLeast * 100} % of its time to ${returnMoreS} s more (common practice, no source)`,
            causes: [
              {
                from: 0,
                to: waitsS * returnLeast,
                text: 'A profile with a shorter wait than the grid code has',
              },
              {
                from: waitsS + returnMoreS,
                to: Infinity,
                text: 'The island lifts its frequency, or the array sees another voltage than it is set for',
              },
            ],
          },
          makeSafe: '',
        };
      }),
      ...(plan.sources.generator
        ? [
            question('island', {
              id: `generator-run:${island.id}`,
              title: `Generator starts, warms up, carries ${island.name} and charges`,
              how: 'Start it as it would be started in an outage; watch frequency and voltage as the load goes over.',
              why: 'It is the last thing left when the sun stays away.',
              care: 'live',
              causes: [
                'No fuel or a flat starter battery',
                'The two-wire start is not connected',
                'Its frequency is outside what the inverter takes',
              ],
            }),
          ]
        : []),
      question('island', {
        id: `people:${island.id}`,
        title: 'What people saw: lights, router, clocks, computers',
        how: 'Ask around the house right after the grid went; write down who noticed what.',
        why: 'The household learns what an outage will feel like, and nothing surprises it later.',
      }),
      ...(heavy
        ? [
            question('island', {
              id: `heavy:${island.id}`,
              title: `${heavy.name} runs while everything else is on`,
              how: 'All that stays on is switched on together, then the heaviest.',
              why: 'The household will do it too.',
              care: 'live',
              causes: ['More is on than the design counted', 'A leg carries more than its share'],
            }),
          ]
        : []),
    ];
  });
}
