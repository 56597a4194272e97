import { derived, given, quantityText } from '../../base/index.js';
import { mostPowerW } from '../../equipment/index.js';
import { islandPlan, usualReturnMin } from '../../design/index.js';
import { type Load, runningPowerVA } from '../../house/index.js';
import { demandContextOf, startDemand } from '../../study/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { mainHandles } from './main-handles.js';
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
/** What is switched on to see that it carries, of what it may (common practice, no source). */
const loadTest = 0.75;
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
  const mains = mainHandles(wired);
  return islands.flatMap(({ island, stack }): Step[] => {
    if (!stack) return [];
    const backed = demandContextOf(islandPlan(plan, island)).backupSet;
    const heavy = backed.toSorted((a, b) => runningPowerVA(b) - runningPowerVA(a))[0];
    const soonest = plan.sources.arrays.toSorted(
      (a, b) => (a.returnsAfterMin ?? usualReturnMin) - (b.returnsAfterMin ?? usualReturnMin),
    )[0];
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
        probe: { show: 'outage', aspect: 'goes-on' },
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
        probe: { show: 'outage', aspect: 'gap' },
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
          probe: { show: 'voltage', side: 'house', pair: pair.name },
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
        probe: { show: 'frequency' },
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
        probe: null,
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
          probe: array === soonest ? { show: 'outage', aspect: 'solar-back' } : null,
        };
      }),
      ...(plan.sources.arrays.length > 0
        ? [
            question('island', {
              id: `backs-off:${island.id}`,
              title: `Solar backs off when the battery is full: ${island.name}`,
              how: 'In sun, with the battery full and little switched on: the frequency rises, and solar falls to what the house takes.',
              why: 'Sun that nobody takes overcharges the battery, or drives the island up until it trips.',
              care: 'live',
              causes: [
                'A solar inverter does not follow the frequency: its profile has no such curve, or was set back by an update',
              ],
              makeSafe:
                'Open the breaker of the solar inverter; the battery’s own management is the last guard.',
              probe: { show: 'outage', aspect: 'backs-off' },
            }),
          ]
        : []),
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
              probe: { show: 'outage', aspect: 'generator' },
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
              how: `All that stays on is switched on together, then the heaviest; heaters that were brought along make up for what the house does not take, until about ${quantityText(loadTest * mostPowerW(stack), 'W')} are on for three minutes.`,
              why: 'The household will do it too.',
              care: 'live',
              causes: [
                'More is on than the design counted',
                'A leg carries more than its share',
                'It trips below its rating: a limit in its settings, a hot place, or a unit that does not take part',
              ],
              probe: { show: 'outage', aspect: 'carries' },
            }),
          ]
        : []),
    ];
  });
}
