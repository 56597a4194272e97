import type { UnitSystem } from '@levamen/core/base';
import type { Plan } from '@levamen/core/design';
import { isAmerican, systemFacts } from '@levamen/core/electric';
import {
  fromElk,
  liveAt,
  materialOf,
  nudgedLayout,
  networkOf,
  oneLineDrawing,
  withAsBuilt,
  type OneLineLayout,
  oneLinePlan,
  type OneLinePlan,
  oneLineTags,
  safetyOf,
  threeLineDrawing,
  threeLineWays,
  type StackOf,
  toElk,
  wireDesign,
  type WiredDesign,
  wiringFindings,
  wiringMargin,
  wiringSubjects,
} from '@levamen/core/wiring';
import { expose } from 'comlink';
import { stackOf } from '../data/stack-of';
import type { WiringApi } from './wiring-api';

/** What was wired last, and from what. */
interface Wired {
  readonly plan: Plan;
  readonly stackOf: StackOf;
  readonly design: WiredDesign;
}
let last: Wired | null = null;

let laid: { readonly of: WiredDesign; readonly units: UnitSystem; readonly sheet: Promise<Sheet> } | null =
  null;

interface Sheet {
  readonly plan: OneLinePlan;
  readonly layout: OneLineLayout;
}

/** The drawing of a design as the library lays it out; once for each design: what is moved on it moves afterwards. */
function laidOut(of: WiredDesign, units: UnitSystem): Promise<Sheet> {
  if (laid?.of === of && laid.units === units) return laid.sheet;
  const lay = async (): Promise<Sheet> => {
    // The layout library is large, and only a drawing needs it.
    const { default: Layout } = await import('elkjs/lib/elk.bundled.js');
    const plan = oneLinePlan(of, units);
    return { plan, layout: fromElk(plan, await new Layout().layout(toElk(plan))) };
  };
  const mine = { of, units, sheet: lay() };
  laid = mine;
  // A library that could not be loaded is asked for again with the next drawing.
  mine.sheet.catch(() => {
    if (laid === mine) laid = null;
  });
  return mine.sheet;
}

const api: WiringApi = {
  wire: (asked) => {
    const { plan } = asked;
    const stacks = stackOf(asked);
    const design = wireDesign(plan, stacks);
    last = { plan, stackOf: stacks, design };
    const findings = wiringFindings(design);
    return {
      wired: design,
      findings,
      margin: wiringMargin(design, findings),
      material: materialOf(plan, stacks, design),
    };
  },
  material: (asked) => materialOf(asked.plan, stackOf(asked)),
  draw: async ({ units, nudges, deviceId, asBuilt: { notes, rows } }) => {
    if (!last) return null;
    const { design, plan } = last;
    const { system } = plan.supply;
    const all = threeLineWays(design.graph);
    const ways = all.map(({ deviceId: id, name }) => ({ deviceId: id, name }));
    const way = all.find((one) => one.deviceId === deviceId);
    if (way) {
      const tags = oneLineTags(oneLinePlan(design, units));
      const { legs } = systemFacts[system];
      const drawing = threeLineDrawing(design, way, legs, tags, isAmerican(system) ? 'EGC' : 'PE', units);
      return { drawing, tags, ways, deviceId };
    }
    const sheet = await laidOut(design, units);
    return {
      drawing: withAsBuilt(
        oneLineDrawing(sheet.plan, nudgedLayout(sheet.plan, sheet.layout, nudges)),
        notes,
        rows,
      ),
      tags: oneLineTags(sheet.plan),
      ways,
      deviceId: '',
    };
  },
  subjects: () => (last ? wiringSubjects(last.plan, last.stackOf, last.design) : []),
  safety: () => last && safetyOf(last.plan, last.design),
  live: (standing, situation) => last && liveAt(networkOf(last.design.graph), standing, situation),
};
expose(api);
