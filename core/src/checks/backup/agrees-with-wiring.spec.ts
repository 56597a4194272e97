import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, type Plan, type ServiceBackup } from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { aWiredHouse, wired } from '../../wiring/testing/wired.js';
import { planRequirements } from './plan-requirements.js';

/** What Backup set says under a name, of the only service that is backed up. */
const said = (plan: Plan, name: string) =>
  [...planRequirements(plan, evaluatePlan(plan, builtInCatalogue)).values()]
    .flat()
    .find(({ key }) => key.endsWith(`.${name}`))?.severity;

describe('what Backup set requires and what Wiring finds', () => {
  const ratings = [30, 60, 100, 200, 400];
  const houses: readonly (readonly [string, (changes: Partial<ServiceBackup>) => Plan])[] = [
    ['a whole house', (changes) => aWiredHouse({}, changes)],
    ['a house of 100 A', (changes) => aWiredHouse({ mainBreakerA: 100, busRatingA: 100 }, changes)],
    ...demoPlans.map(({ name, plan }): readonly [string, (changes: Partial<ServiceBackup>) => Plan] => [
      name,
      (changes) => ({
        ...plan,
        backup: {
          ...plan.backup,
          services: plan.backup.services.map((one) => ({
            ...one,
            school: 'service',
            isolation: { at: 'service' },
            isolatingDevice: 'contactor',
            ...changes,
          })),
        },
      }),
    ]),
  ];
  it.each(houses)('%s: agree on the rating of the isolating device', (_, made) => {
    const pairs = ratings.map((isolatingRatingA) => {
      const plan = made({ isolatingRatingA });
      const check = wired(plan).checks.find(({ ruleId }) => ruleId === 'isolating.rating');
      return [said(plan, 'rating'), check?.verdict];
    });
    for (const [required, judged] of pairs)
      expect([required, judged]).toEqual(judged === 'holds' ? ['fine', 'holds'] : ['must-fix', 'fails']);
    expect(new Set(pairs.map(([, judged]) => judged)).size).toBe(2);
  });

  // Of an island: its inverters lead, and one bond must be on their neutral.
  it.each([
    [true, 'service'],
    [true, 'isolating-device'],
    [true, 'inverter'],
    [false, 'service'],
    [false, 'isolating-device'],
    [false, 'inverter'],
  ] as const)(
    'agree on the bond of an island: panel bonded %s, bond by the %s',
    (bonded, bondWhileIslanded) => {
      const plan = aWiredHouse({ bonded }, { bondWhileIslanded });
      const found = wired(plan).states.found.filter(
        ({ kind, concerns }) => kind.endsWith('bond') || (kind.endsWith('bonds') && concerns.length > 0),
      );
      const ofIsland = found.some(({ concerns }) => concerns[0]!.startsWith('inverter'));
      expect(said(plan, 'bond') === 'must-fix').toBe(ofIsland);
    },
  );
});
