import { placeWord } from '../../../base/index.js';
import { rule } from '../rule.schema.js';

const earth = placeWord('earth');
const special = 'Motors and other special circuits have rules of their own; defer to the local code.';
const lookAtMarks = `Look at terminals and cable, and enter it with the conductor; cable of type NM always counts for 60 °C. ${special}`;

/** A breaker against the conductor behind it: the same of circuits and feeders. */
const conductorRules = (
  on: 'circuit-conductor' | 'feeder-conductor',
  id: string,
  name: string,
  title: string,
) => [
  rule({
    id: `unlisted.${id}`,
    on,
    name: 'The conductor is one of the tables',
    when: '!inTable',
    holds: 'inTable',
    severity: 'must-fix',
    says: [title, '{what}: the table has no {size}.', 'Check the conductor.'],
  }),
  ...[false, true].flatMap((isMetric) => {
    const of = isMetric ? 'isMetric' : '!isMetric';
    const before = isMetric ? 'metric' : 'american';
    const because = '{what}: {ratingA} on {size}, which takes at most {takesA} ({column}; {rule}).';
    return [
      rule({
        id: `${before}.${id}`,
        on,
        name,
        when: `${of} && inTable && (!isGuess || ratingA <= takesA || ratingA > takesMarkedA)`,
        holds: 'ratingA <= takesA',
        severity: 'must-fix',
        says: [title, because, `Check the conductor, or fit a smaller breaker. ${special}`],
      }),
      ...(isMetric
        ? []
        : [
            rule({
              id: `unmarked.${id}`,
              on,
              name: `${name}, whatever its terminals are marked for`,
              when: '!isMetric && inTable && isGuess && ratingA > takesA && ratingA <= takesMarkedA',
              holds: 'ratingA <= takesA',
              severity: 'consider',
              says: [
                `${title}, unless cable and terminals are marked 75 °C`,
                `${because} With both marked 75 °C it takes {takesMarkedA}.`,
                lookAtMarks,
              ],
            }),
          ]),
    ];
  }),
];

/** What is asked of panels, circuits and feeders that are there. */
export const surveyRules = [
  rule({
    id: 'panel.outside',
    on: 'panel',
    name: 'Every breaker sits in a space the panel has',
    holds: 'beyond == 0',
    severity: 'must-fix',
    says: [
      'A breaker sits in a space the panel does not have',
      '{beyond}: the panel has {spaces} spaces.',
      'Correct the number of spaces of the panel, or move the breaker.',
    ],
    marks: 'beyond',
  }),
  rule({
    id: 'panel.overfilled',
    on: 'panel',
    name: 'One breaker a space',
    holds: 'crowded == 0',
    severity: 'must-fix',
    says: [
      'Two breakers in one space',
      '{crowded} overlap.',
      'Move one of them, or enter them as the two halves of a tandem.',
    ],
    marks: 'crowded',
  }),
  rule({
    id: 'circuit.one-leg',
    on: 'circuit',
    name: 'Each pole of a breaker reaches a leg of its own',
    when: 'severalLegs',
    holds: 'poles <= reached',
    severity: 'must-fix',
    says: [
      'A {poles}-pole breaker reaches only {reachedLegs}',
      '{name}: its poles sit on spaces of the same leg, so there is no line voltage between them.',
      'Read the legend again: poles sit one below the other. Correct the spaces, the numbering, or the leg of the first space.',
    ],
  }),
  rule({
    id: 'neutral.neutral-clash',
    on: 'neutral',
    name: 'Circuits that share a neutral are on different legs',
    holds: '!sameLeg',
    severity: 'must-fix',
    says: [
      'A shared neutral returns the sum of two circuits on one leg',
      '{circuits} share neutral {mark}, and two of them are on the same leg: their currents add in the neutral instead of cancelling.',
      'Move one of them to the other leg, or give each its own neutral.',
    ],
    marks: 'circuits',
  }),
  rule({
    id: 'neutral.neutral-alone',
    on: 'neutral',
    name: 'A neutral marked as shared is shared',
    when: '!sameLeg',
    holds: 'circuits > 1',
    severity: 'consider',
    says: [
      'A shared neutral with one circuit only',
      '{circuits} is marked {mark}, but no other circuit is.',
      'Mark the circuit it shares its neutral with, or remove the mark.',
    ],
    marks: 'circuits',
  }),
  rule({
    id: 'neutral.neutral-tie',
    on: 'neutral',
    name: 'Circuits that share a neutral open together',
    when: '!sameLeg && circuits > 1',
    holds: 'opensTogether',
    severity: 'must-fix',
    says: [
      'Circuits that share a neutral do not open together',
      '{circuits} share neutral {mark} without a handle tie ({rule}).',
      'Fit a handle tie or a multi-pole breaker.',
    ],
    marks: 'circuits',
  }),
  ...conductorRules(
    'circuit-conductor',
    'conductor',
    'A breaker suits its conductor',
    'A breaker is larger than its conductor allows',
  ),
  ...conductorRules(
    'feeder-conductor',
    'feeder',
    'A feeder suits the breaker ahead of it',
    'The feeder is thinner than its breaker allows',
  ),
  rule({
    id: 'panel.bus',
    on: 'panel',
    name: 'The breaker that protects a bus is no larger than it',
    when: 'known(busA) && known(protectingA)',
    holds: 'protectingA <= busA',
    severity: 'must-fix',
    says: [
      'The panel is rated below its feeder',
      'The bus is rated {busA}, the breaker that protects it {protectingA} ({rule}).',
      'Fit a main breaker of at most the bus rating, or a smaller feeder breaker.',
    ],
    marks: 'feeder',
  }),
  rule({
    id: 'panel.no-main',
    on: 'panel',
    name: 'Something protects the bus of a panel at the service',
    when: 'known(busA) && atService',
    holds: 'known(protectingA)',
    severity: 'consider',
    says: [
      'Nothing protects the bus',
      '{name} has lugs only, and no breaker ahead of it is entered.',
      'Enter the breaker at the service or ahead of the panel.',
    ],
  }),
  rule({
    id: 'panel.service',
    on: 'panel',
    name: 'A main breaker is no larger than the service',
    when: 'atService && known(serviceA) && known(mainA)',
    holds: 'mainA <= serviceA',
    severity: 'consider',
    says: [
      'The main breaker is larger than the service',
      'Main breaker {mainA}, service {serviceA}.',
      'Check both ratings.',
    ],
  }),
  rule({
    id: 'panel.family',
    on: 'panel',
    name: 'Breakers are of the family the panel is listed for',
    holds: 'strangers == 0',
    severity: 'must-fix',
    says: [
      'A breaker of a family the panel is not listed for',
      '{strangers}; the panel is listed for {family}.',
      'Replace it by a breaker the panel is listed for.',
    ],
    marks: 'strangers',
  }),
  rule({
    id: 'panel.no-load',
    on: 'panel',
    name: 'Every circuit has a load, or is marked as a spare',
    when: 'anyLoad',
    holds: 'idle == 0',
    severity: 'consider',
    says: [
      '{idle:circuits} without a load',
      'Nothing hangs on {idle}.',
      'Put its loads on it, or mark the breaker as a spare.',
    ],
    marks: 'idle',
  }),
  rule({
    id: 'circuit.load-poles',
    on: 'circuit',
    name: 'A load has no more poles than its circuit',
    holds: 'narrow == 0',
    severity: 'must-fix',
    says: [
      'A load needs more poles than its circuit has',
      '{narrow} on {name}, which is on {legs} only.',
      'Correct the poles of the breaker or the legs of the load.',
    ],
  }),
  rule({
    id: 'over.load-breaker',
    on: 'load',
    name: 'A load draws no more than its breaker',
    holds: 'drawnA <= ratingA',
    severity: 'must-fix',
    says: [
      'A load is larger than its breaker',
      '{name} draws {drawnA}; the breaker of {circuit} is {ratingA}.',
      'Check the figures of the load and the breaker; it belongs on a circuit of its own with a larger breaker and conductor.',
    ],
  }),
  rule({
    id: 'continuous.load-breaker',
    on: 'load',
    name: 'A breaker carries 125 % of a load that runs for hours',
    when: 'isContinuous && drawnA <= ratingA',
    holds: 'neededA <= ratingA',
    severity: 'consider',
    says: [
      'A load is larger than its breaker',
      '{name} draws {drawnA} for hours: 125 % are {neededA} against {ratingA} on {circuit} ({clause}; {rule}).',
      'Check the figures of the load and the breaker; it belongs on a circuit of its own with a larger breaker and conductor.',
    ],
  }),
  rule({
    id: 'circuit.heavy',
    on: 'circuit',
    name: 'Heavy loads of one circuit stay within its breaker together',
    when: 'heavy > 1',
    holds: 'heavyA <= ratingA',
    severity: 'consider',
    says: [
      'Heavy loads on one circuit which together exceed it',
      '{heavy} on {name}: {heavyA} against {ratingA}.',
      'Put one of them on another circuit, or make sure they never run together.',
    ],
  }),
  rule({
    id: 'panel.bonds',
    on: 'panel',
    name: `Neutral and ${earth} are bonded in one place of a service`,
    when: 'bonded',
    holds: '!surplusBond',
    severity: 'must-fix',
    says: [
      `More than one bond of neutral and ${earth}`,
      `{bondedPanels} are both bonded: neutral current then flows in the ${placeWord('earth-conductors')}.`,
      `Keep one bond, at the service; separate neutrals and ${placeWord('earths')} in every panel below it.`,
    ],
  }),
  rule({
    id: 'panel.no-bond',
    on: 'panel',
    name: `Neutral and ${earth} are bonded somewhere in a service`,
    holds: '!noneBonded',
    severity: 'consider',
    says: [
      `No bond of neutral and ${earth} was found`,
      'Every panel of this service is entered as not bonded. The bond may sit in the meter or its disconnect.',
      'Find it: exactly one bond must exist in every operating state.',
    ],
  }),
];
