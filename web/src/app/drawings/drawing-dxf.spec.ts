import type { Drawing } from '@levamen/core/wiring';
import { DxfParser, type ILwpolylineEntity, type ITextEntity } from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import { drawingDxf } from './drawing-dxf';

const item = { about: '', place: '' } as const;
const drawing: Drawing = {
  widthMm: 100,
  heightMm: 60,
  items: [
    {
      kind: 'line',
      ...item,
      layer: 'conductors',
      points: [
        [0, 10],
        [40, 10],
        [40, 50],
      ],
      widthMm: 0.5,
      dashed: false,
      closed: false,
    },
    {
      kind: 'line',
      ...item,
      layer: 'enclosures',
      points: [
        [5, 5],
        [95, 5],
        [95, 55],
        [5, 55],
      ],
      widthMm: 0.25,
      dashed: true,
      closed: true,
    },
    { kind: 'circle', ...item, layer: 'symbols', centre: [40, 20], radiusMm: 4, filled: false },
    {
      kind: 'text',
      ...item,
      layer: 'text',
      at: [42, 22],
      text: 'Q1 60 A 2P',
      heightMm: 2.6,
      anchor: 'start',
    },
  ],
};

describe('a drawing as DXF', () => {
  const parsed = new DxfParser().parseSync(drawingDxf(drawing))!;

  it('is read by another program: every line, circle and text, on layers of their own', () => {
    expect(parsed.entities.map(({ type, layer }) => `${type} ${layer}`)).toEqual([
      'LWPOLYLINE conductors',
      'LWPOLYLINE enclosures',
      'CIRCLE symbols',
      'TEXT text',
    ]);
    expect(Object.keys(parsed.tables.layer.layers)).toEqual(
      expect.arrayContaining(['conductors', 'enclosures', 'symbols', 'text']),
    );
  });

  it('stands the right way up, in millimetres', () => {
    const [line, frame, , text] = parsed.entities;
    expect((line as ILwpolylineEntity).vertices.map(({ x, y }) => [x, y])).toEqual([
      [0, 50],
      [40, 50],
      [40, 10],
    ]);
    expect((frame as ILwpolylineEntity).shape).toBe(true);
    expect((text as ITextEntity).text).toBe('Q1 60 A 2P');
    expect((text as ITextEntity).startPoint).toMatchObject({ x: 42, y: 38 });
    expect(parsed.header['$INSUNITS']).toBe(4);
  });
});
