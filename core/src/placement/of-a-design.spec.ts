import { describe, expect, it } from 'vitest';
import { chosenFor, demoPlans, type Plan, put } from '../design/index.js';
import { assembleStack, builtInCatalogue } from '../equipment/index.js';
import type { StackOf } from '../wiring/index.js';
import { deriveWiring, drawingSvg } from '../wiring/index.js';
import { checkPlacement } from './check-placement.js';
import { elevationDrawing } from './drawing/elevation-drawing.js';
import { lotDrawing } from './drawing/lot-drawing.js';
import { snap } from './moving/snap.js';
import { preparationList } from './preparation/preparation-list.js';
import { aThing, anOpening, aWall } from './testing/placed.js';
import { placedThings } from './things/placed-things.js';
import { thingsOf } from './things/things-of.js';

const farm = demoPlans[0]!.plan;
const stackOf =
  (plan: Plan): StackOf =>
  (island) => {
    const parts = chosenFor(plan, island);
    const made = parts && assembleStack(parts, builtInCatalogue, plan.supply.system);
    return made?.ok ? made.stack : null;
  };
const things = thingsOf(farm, stackOf(farm));
const checked = checkPlacement(farm, things, []);

describe('the farmhouse of the demo', () => {
  it('has every unit one by one, its new panel, a disconnect and a gutter to place', () => {
    expect(things.map(({ id }) => id)).toEqual([
      'unit:farm:madder-47:1',
      'unit:farm:madder-47:2',
      'unit:farm:madder-pack:1',
      'unit:farm:madder-pack:2',
      'panel:farm',
      'disconnect:farm',
      'gutter:farm',
    ]);
    expect(things[0]).toMatchObject({ widthM: 0.58, heightM: 1.06, massKg: 129, isSizeAssumed: false });
    expect(things[4]!.isSizeAssumed).toBe(true);
  });

  it('has something in the way of its packs, and says so on the drawing and in the list for the crew', () => {
    const { findings, placed, margin } = checked;
    expect(margin).toMatchObject({ verdict: 'fails', placed: 5, of: 6 });
    expect(findings[0]!.title).toContain('Receptacle in the room its maker asks for');
    const wall = farm.lot.walls[0]!;
    const { drawing, frame } = elevationDrawing({ wall, placed, findings, units: 'imperial', chosen: '' });
    expect(frame.scale).toBe(50);
    const texts = drawing.items.flatMap((item) => (item.kind === 'text' ? [item.text] : []));
    expect(texts).toEqual(expect.arrayContaining(['! 1', '! 2', `2' 2"`, 'Workbench']));
    // Left lower corner of the first unit: 2 ft 2 in from the left, 2 ft up, at 1:50.
    const unit = drawing.items.find(
      (item) => item.kind === 'line' && item.about === 'unit:farm:madder-47:1' && item.layer === 'enclosures',
    );
    const [x, y] = unit?.kind === 'line' ? unit.points[3]! : [0, 0];
    expect(x - frame.originX).toBeCloseTo((26 * 25.4) / 50, 3);
    expect(frame.originY - y).toBeCloseTo((24 * 25.4) / 50, 3);
    expect(drawingSvg(drawing)).toContain('id="clearances"');
    const list = preparationList(farm, placed).map(({ what }) => what);
    expect(list.filter((what) => what.startsWith('Plywood'))).toHaveLength(1);
    expect(list).toEqual(
      expect.arrayContaining([
        'Receptacle to move or take away',
        'Bollards set in concrete before the units, a week before',
        expect.stringMatching(/^A lift or stacker for 284 lb/),
        expect.stringMatching(/^Trench: have buried lines located/),
        expect.stringMatching(/^Brackets in this order, from the left: Madder 47 no. 1, Madder 47 no. 2/),
      ]),
    );
  });

  it('has a plan of its lot with walls by their letter, a scale, and how far the meter is from what stands outdoors', () => {
    const lane = put(farm.placement, [
      { thingId: 'disconnect:farm', wallId: 'lane', leftM: 2, bottomM: 1.2 },
    ]);
    const placed = placedThings({ ...farm, placement: lane }, things);
    const drawing = lotDrawing(farm.lot, placed, 'imperial')!;
    const texts = drawing.items.flatMap((item) => (item.kind === 'text' ? [item.text] : []));
    expect(texts).toEqual(expect.arrayContaining(['B, porch side', 'C, lane side', 'N', 'Driveway', 'Barn']));
    expect(texts.some((text) => /^1 {2}Disconnect of the source: \d+' .*to electric meter/.test(text))).toBe(
      true,
    );
    expect(lotDrawing({ ...farm.lot, corners: [], marks: [] }, [], 'metric')).toBeNull();
  });

  it('is wired by the way its conduits run: as far as the unit is from where the route leaves the wall, and on', () => {
    const cable = (plan: Plan): number =>
      deriveWiring(plan, stackOf(plan)).parts.find(
        ({ id }) => id === 'combined:farm' || id === 'output:farm:1',
      )!.cable!.lengthM.value;
    const [place] = farm.placement.placed;
    const moved = { ...farm, placement: put(farm.placement, [{ ...place!, leftM: place!.leftM + 1.5 }]) };
    expect(cable(moved) - cable(farm)).toBeCloseTo(1.5, 9);
    // 1 ft through a wall, 4 ft on the surface, and along the wall from the middle of the unit.
    const middle = { x: place!.leftM + 0.29, y: place!.bottomM + 0.53 };
    const along = Math.abs(middle.x - 0.3048) + Math.abs(middle.y - 6 * 0.3048);
    expect(cable(farm)).toBeCloseTo(along + 5 * 0.3048, 3);
  });
});

describe('what is dragged', () => {
  const wall = aWall({ studSpacingM: 0.4, firstStudM: 0.4, openings: [anOpening({ leftM: 4 })] });
  const at = (leftM: number, bottomM: number, changes = {}) => {
    const thing = aThing({ clear: { aboveM: 0.2, belowM: 0.2, besideM: 0.15, frontM: 0 }, ...changes });
    return { thing, wall, leftM, bottomM, widthM: thing.widthM, heightM: thing.heightM };
  };
  it('snaps to the end of the wall, studs, and the room of what is beside it', () => {
    expect(snap(at(0.03, 0.6), [], 0.05)).toMatchObject({ leftM: 0, to: 'the left end' });
    // Its middle on the stud at 1.2 m.
    expect(snap(at(0.92, 0.6), [], 0.05)).toMatchObject({ leftM: expect.closeTo(0.9, 9), to: 'a stud' });
    const other = at(1, 0.62, { id: 'other', name: 'Other' });
    const beside = snap(at(1.76, 0.6), [other], 0.03);
    expect(beside.leftM).toBeCloseTo(1.75, 9);
    expect(beside.bottomM).toBeCloseTo(0.62, 9);
    expect(beside.to).toBe('right of Other, level with Other');
    expect(snap(at(1.76, 0.6), [other], 0)).toMatchObject({ leftM: 1.76, bottomM: 0.6, to: '' });
  });
  it('keeps the distance of a fire test beside its like', () => {
    const other = at(1, 0.6, { id: 'other', betweenM: 0.05 });
    expect(snap(at(1.66, 0.6, { betweenM: 0.07 }), [other], 0.03).leftM).toBeCloseTo(1.67, 9);
  });
});
