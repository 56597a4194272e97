import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { islandPlan, islandsOf, settingsOf } from '../../design/index.js';
import { randomHouse } from '../../design/testing/random-house.js';
import { outcomeOf } from '../backup-set/outcome.js';
import { decidingHours } from '../outage/deciding-hours.js';
import { studyYear } from '../outage/outage-study.js';
import { playOutage } from '../outage/play-outage.js';
import { playedOfBrief } from '../outage/played-of-brief.js';
import { KeptYear } from '../outage/kept-year.js';
import { runtimeOutlook } from '../outage/runtime-outlook.js';
import { runtimeQuestion } from '../outage/runtime-question.js';
import { seasonWindows, startsOfBrief } from '../outage/season-windows.js';
import { LocalSimulation } from '../outage/simulation.js';
import { allowedOverloadShare } from '../outage/with-overload-risk.js';
import { evaluatePlan } from './evaluate-plan.js';
import { smallestHolding } from './smallest-holding.js';
import { withRuntimes } from './with-runtimes.js';

describe('random houses', () => {
  it('have one runtime everywhere, and what holds is hardly ever cut short by overload in years nobody has seen', async () => {
    await fc.assert(
      fc.asyncProperty(randomHouse, async (plan) => {
        const rough = evaluatePlan(plan, builtInCatalogue);
        const simulation = new LocalSimulation(plan, builtInCatalogue, '', null);
        const found = await smallestHolding(rough.judged, ({ parts }) => simulation.holds(plan, parts));
        fc.pre(found.smallest !== null);
        const { stack } = rough.judged.find((one) => one.stack.name === found.smallest)!;
        const { parts } = stack;
        const outlook = (await simulation.outlook(plan, parts))!;
        const evaluation = withRuntimes(rough, { outlooks: new Map([[stack.name, outlook]]), found });

        // Sources suggests it, the strip shows it, and it holds there.
        expect([evaluation.selected?.stack.name, evaluation.selected?.lacks]).toEqual([stack.name, []]);
        const strip = evaluation.margins.find(({ key }) => key === 'runtime')!;
        expect(strip.limit.value).toBe(decidingHours(settingsOf(plan), outlook));
        // Mend, and what stands beside circuits and substitutes, compares with the same figure.
        const outcome = outcomeOf(islandPlan(plan, islandsOf(plan)[0]!), stack, outlook);
        expect([outcome.runtimeH, outcome.fails]).toEqual([strip.limit.value, []]);

        // Outage shows outages one by one: what it plays is what was counted.
        const study = { plan, islandId: '', parts, weather: null };
        const { study: asked, followedMin } = runtimeQuestion(study);
        const year = studyYear(asked, builtInCatalogue)!;
        const played = playedOfBrief(study, builtInCatalogue, new KeptYear(plan.outage.seed))!;
        const { designSeason } = settingsOf(plan);
        const starts = seasonWindows(designSeason.value, year.weather.latitudeDeg, followedMin).flatMap(
          (window) =>
            startsOfBrief(window, plan.outage.days, year.weather).map(
              (hour) => (window.window.fromMinute + hour * 60) % 525_600,
            ),
        );
        for (const place of [0, Math.floor(starts.length / 2), starts.length - 1]) {
          const { survivedMin } = playOutage(year, starts[place]!, followedMin);
          expect(Math.min(survivedMin, followedMin)).toBeCloseTo(played.survivedMin[place]!, 1);
        }

        // Power: other years of weather and switching.
        const other = { ...plan, outage: { ...plan.outage, seed: plan.outage.seed + 5000 } };
        const { cutShort } = runtimeOutlook({ ...study, plan: other }, builtInCatalogue)!;
        expect(cutShort.whole + cutShort.leg + cutShort.start).toBeLessThan(allowedOverloadShare);
      }),
      { numRuns: 5 },
    );
  }, 240_000);
});
