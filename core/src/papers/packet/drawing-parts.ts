import { asBuiltOf } from '../../logbook/index.js';
import { isAmerican, systemFacts } from '../../electric/index.js';
import {
  type Drawing,
  nudgedLayout,
  oneLineDrawing,
  threeLineDrawing,
  threeLineWays,
  withAsBuilt,
  withTitleBlock,
} from '../../wiring/index.js';
import type { Block } from '../document/paper.js';
import { splitDrawing } from '../document/split-drawing.js';
import type { PacketOf } from './packet-of.js';

/** Room for a drawing on an upright sheet of either size, and what its title block takes of it, mm. */
const roomMm = { width: 180, height: 232, block: 60 } as const;
/** No smaller than this, unless it is too wide: its letters would be hard to read. */
const leastScale = 0.8;

/** Higher than this, a drawing of such a width goes on on the next sheet. */
const tallestMm = (widthMm: number): number =>
  roomMm.height / Math.min(leastScale, roomMm.width / widthMm) - roomMm.block;

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
  const { notes, rows } = asBuiltOf(study.plan.logbook);
  const whole = withAsBuilt(oneLineDrawing(sheet, layout), notes, rows);
  const pieces = splitDrawing(whole, tallestMm(whole.widthMm));
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
