import { expect, it } from 'vitest';
import { sampleLine } from '../sample/sample-line.js';
import { bodyOf } from './body-of.js';
import { completeItem } from './complete-item.js';
import { emptyHead } from './empty-item.js';
import { itemSchema } from './item.schema.js';
import { unitOf } from './unit-of.js';

it('an item that an earlier program wrote gets the fields it did not know, and keeps what it says', () => {
  for (const item of sampleLine) {
    const {
      clearAboveMm: _above,
      clearBelowMm: _below,
      clearBesideMm: _beside,
      clearFrontMm: _front,
      betweenUnitsMm: _between,
      ingress: _ingress,
      noiseDb: _noise,
      heaterW: _heater,
      ...earlier
    } = item;
    expect(itemSchema.safeParse(earlier).success).toBe(false);
    const read = itemSchema.safeParse(completeItem(earlier));
    expect(read.success).toBe(true);
    expect(read.data).toMatchObject(earlier);
    expect(completeItem(item)).toEqual(item);
  }
});

it('a clearance that is not said by its side is the one all round; lengths are metres', () => {
  const body = bodyOf({ ...emptyHead, widthMm: 580, clearanceMm: 150, clearAboveMm: 300, heaterW: 90 });
  expect(body).toMatchObject({
    widthM: 0.58,
    heightM: null,
    clearAboveM: 0.3,
    clearBelowM: 0.15,
    clearBesideM: 0.15,
    clearFrontM: 0.15,
    betweenM: null,
    heaterW: 90,
  });
});

it('every unit of the sample line says its size, its room and its temperatures', () => {
  for (const item of sampleLine) {
    const { body } = unitOf(item)!;
    for (const known of [
      body.widthM,
      body.heightM,
      body.depthM,
      body.clearFrontM,
      body.coldestC,
      body.hottestC,
    ])
      expect(known, item.name).not.toBeNull();
  }
});
