import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { chooseFor, demoPlans } from '@levamen/core/design';
import { catalogueOf, sampleLine } from '@levamen/core/equipment';
import {
  type BriefTally,
  type Evaluation,
  evaluatePlan,
  type Known,
  type SeasonOutlook,
} from '@levamen/core/study';
import type { OutageStudy } from '@levamen/core/study/details';
import { of } from 'rxjs';
import { describe, expect, it } from 'vitest';
import { pass, stopTimeInEach } from '../../testing/passing-time';
import { EvaluationService } from './evaluation';
import { OutageStudies } from './outage-studies';
import { Runtimes } from './runtimes';

stopTimeInEach();

const outlook: SeasonOutlook = {
  nineteenOfTwentyH: 30,
  medianH: 40,
  yearsNineteenOfTwentyH: [30],
  yearsMedianH: [40],
  meanH: 38,
  shortestH: 26,
  requiredShare: 1,
  cutShort: { whole: 0, leg: 0, start: 0 },
  count: 100,
  followedH: 72,
  hardEnding: { cause: 'none', share: 1 },
  usualEnding: { cause: 'none', share: 1 },
};
const holding: BriefTally = { count: 100, short: 0, overloaded: 0 };
const catalogue = catalogueOf([...sampleLine]);
const { plan } = demoPlans[0]!;

/** The plan as it is judged without simulation: with units somebody chose, or with none. */
function roughOf(isChosen: boolean): Evaluation {
  const open = evaluatePlan(plan, catalogue, '');
  const island = open.island!;
  const parts = isChosen ? open.judged.at(-1)!.stack.parts : null;
  return evaluatePlan(chooseFor(plan, island, parts), catalogue, island.id);
}

function begin(isChosen: boolean) {
  const rough = signal<Evaluation | null>(null);
  const known = signal<Known | null>(null);
  const asked = signal<Omit<OutageStudy, 'parts'> | null>(null);
  const played: string[] = [];
  const tallied: string[] = [];
  const nameOf = (study: OutageStudy): string => JSON.stringify(study.parts);
  TestBed.configureTestingModule({
    providers: [
      Runtimes,
      { provide: EvaluationService, useValue: { rough, known } },
      {
        provide: OutageStudies,
        useValue: {
          asked,
          runtime: (study: OutageStudy) => {
            played.push(nameOf(study));
            return of(outlook);
          },
          tally: (study: OutageStudy) => {
            tallied.push(nameOf(study));
            return of([holding]);
          },
        },
      },
    ],
  });
  const runtimes = TestBed.inject(Runtimes);
  const edit = (): void => {
    rough.set(roughOf(isChosen));
    asked.set({ plan, islandId: '', weather: null });
  };
  edit();
  return { runtimes, known, played, tallied, edit };
}

describe('what is simulated of a job that is open', () => {
  it('is the stack somebody chose, and nothing else until somebody looks at others', async () => {
    const { runtimes, known, played, tallied } = begin(true);
    await pass(2000);
    expect([played.length, tallied.length]).toEqual([1, 0]);
    expect(known()!.runtimes).toMatchObject({ found: null });
    const others = known()!
      .rough.judged.slice(0, 2)
      .map(({ stack }) => stack.name);
    runtimes.looked.set(others);
    await pass(100);
    expect(tallied.length).toBeGreaterThan(0);
    expect(known()!.runtimes.found).not.toBeNull();
    for (const name of others) expect([...known()!.runtimes.outlooks.keys()]).toContain(name);
  });

  it('is as many as it takes to find the smallest that holds, where nobody has chosen', async () => {
    const { known, tallied } = begin(false);
    await pass(2000);
    expect(tallied.length).toBeGreaterThan(0);
    expect(known()!.runtimes.found!.smallest).not.toBeNull();
  });

  it('is asked anew with every edit, and of what was before it nothing more', async () => {
    const { runtimes, known, played, tallied, edit } = begin(true);
    await pass(2000);
    for (let round = 0; round < 3; round += 1) {
      edit();
      await pass(600);
    }
    expect([played.length, tallied.length]).toEqual([4, 0]);
    runtimes.looked.set([known()!.rough.judged[0]!.stack.name]);
    await pass(100);
    // One search for the plan as it is, none for those before.
    expect(new Set(tallied).size).toBe(tallied.length);
  });
});
