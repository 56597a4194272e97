import { expect, it } from 'vitest';
import { aLoad } from '../testing/loads.js';
import { circuitsByName } from './circuits-by-name.js';
import { newCircuit, newPanel } from './new-panel.js';
import { emptySurvey } from './panel.schema.js';

const survey = (names: readonly string[]) => ({
  ...emptySurvey(),
  panels: [
    {
      ...newPanel('p', 'Panel', 'split-120-240', { kind: 'unknown' as const }),
      circuits: names.map((name, i) => newCircuit(`c${i + 1}`, [i + 1], name)),
    },
  ],
});
const placed = (names: readonly string[], load: string, circuitId: string | null = null) =>
  circuitsByName(survey(names), [aLoad({ id: 'one', name: load, circuitId })]).get('one') ?? null;

it.each([
  [['Kitchen', 'Well pump'], 'Well pump', 'c2'],
  [['WELL-PUMP'], 'Well pump, ¾ hp', 'c1'],
  [['Range', 'Range hood'], 'Range hood', 'c2'],
  [['Kitchen', 'Kitchen'], 'Kitchen', null],
  [['Range hood'], 'Range', null],
  [['Bath'], 'Bathroom fan', null],
  [[''], 'Lamp', null],
])('on circuits %j the load “%s” goes to %s', (names, load, circuit) => {
  expect(placed(names, load)).toBe(circuit);
});

it('leaves loads alone that hang somewhere', () => {
  expect(placed(['Freezer'], 'Freezer', 'elsewhere')).toBeNull();
});
