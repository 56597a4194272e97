import { isAmerican, systemFacts } from '../../electric/index.js';
import {
  type Drawing,
  nudgedLayout,
  oneLineDrawing,
  threeLineDrawing,
  threeLineWays,
  withTitleBlock,
} from '../../wiring/index.js';
import type { Block } from '../document/paper.js';
import { splitDrawing } from '../document/split-drawing.js';
import type { PacketOf } from './packet-of.js';

/** Higher than so many times its width, a drawing would be too small on a sheet: it goes on on the next one. */
const tallest = 1.25;

/** A drawing in its frame, with the title block a reviewer looks for. */
export const framed = (of: PacketOf, title: string, scale: string, drawing: Drawing): Drawing =>
  withTitleBlock(drawing, [
    ['Job', of.jobName],
    ['Drawing', title],
    ['Owner', of.study.plan.parties.client],
    ['Address', of.study.plan.parties.address || of.study.plan.site.place],
    ['Contractor', of.company.name],
    ['Code', of.edition],
    ['Scale', scale],
    ['Date', of.day],
    ['Note', 'Not verified: local code and a licensed electrician decide.'],
  ]);

/** The one-line drawing on a sheet, and what its tags stand for. */
export async function oneLinePart(of: PacketOf): Promise<Block[]> {
  const { sheet, layOut, study } = of;
  if (sheet.boxes.length === 0) return [];
  const layout = nudgedLayout(sheet, await layOut(sheet), study.plan.wiring.nudges);
  const pieces = splitDrawing(oneLineDrawing(sheet, layout), tallest);
  return pieces.map((drawing, index) => {
    const title = pieces.length === 1 ? 'One line' : `One line, sheet ${index + 1} of ${pieces.length}`;
    return {
      kind: 'drawing',
      on: 'sheet',
      title:
        pieces.length === 1 ? 'One-line drawing' : `One-line drawing, sheet ${index + 1} of ${pieces.length}`,
      drawing: framed(of, title, 'none', drawing),
    };
  });
}

/** Every isolating point with each conductor of its own. */
export function threeLinePart(of: PacketOf): Block[] {
  const { study, tags, units } = of;
  const { system } = study.plan.supply;
  const ways = threeLineWays(study.wired.graph);
  const { legs } = systemFacts[system];
  return ways.map((way) => ({
    kind: 'drawing',
    on: 'sheet',
    title: `Three-line drawing, ${way.name}`,
    drawing: framed(
      of,
      `Three line, ${way.name}`,
      'none',
      threeLineDrawing(study.wired, way, legs, tags, isAmerican(system) ? 'EGC' : 'PE', units),
    ),
  }));
}
