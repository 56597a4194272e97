import { given } from '../../base/index.js';
import { signsOf } from '../../wiring/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { Step } from './step.js';

/** Before the covers close and everybody goes. */
export function closing({ plan, wired }: DesignInHand): Step[] {
  const signs = signsOf(plan, wired).length;
  return [
    question('close', {
      id: 'nothing-left',
      title: 'Nothing foreign lies in any box: no screw, no strand, no tool',
      how: 'A look into every box that was open, with a lamp; what fell in is taken out, not left.',
      why: 'A dropped screw waits for the first shake to make a short.',
      care: 'dead',
      makeSafe: 'Make the box dead, and take it out.',
    }),
    question('close', {
      id: 'sealed',
      title: 'Knockouts closed, bushings on every conduit, what is outdoors sealed',
      how: 'All around; outdoors again after the next rain.',
      why: 'Water and mice find every hole.',
    }),
    ...(signs > 0
      ? [
          {
            id: 'signs',
            phase: 'close' as const,
            title: 'Labels that hang where they belong',
            how: 'As the list of labels has them.',
            why: 'Who comes to a fire reads nothing else.',
            care: null,
            asks: {
              kind: 'measure' as const,
              unit: 'count' as const,
              predicted: given({
                key: 'signs',
                label: 'Labels the wiring asks for',
                value: signs,
                unit: 'count',
                source: { kind: 'published', reference: 'the rules of the place, recalled' },
              }),
              least: signs,
              most: null,
              bounds: 'as many as the list of labels has',
              causes: [
                { from: -Infinity, to: signs - 0.5, text: 'Some were not printed, or wait for a cover' },
              ],
            },
            makeSafe: '',
            probe: null,
          },
        ]
      : []),
    question('close', {
      id: 'handed-over',
      title: 'The household has the outage card, has switched off and on, and knows whom to call',
      how: 'They do it themselves, with somebody beside them.',
      why: 'The next outage comes when nobody is there to ask.',
    }),
  ];
}
