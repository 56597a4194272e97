import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { emptyLogbook, type LoggedUnit, newLoggedUnit, type Visit } from '../../house/index.js';
import type { Drawing } from '../../wiring/index.js';
import { withAsBuilt } from '../../wiring/index.js';
import { asBuiltOf } from './as-built.js';
import { takeSerials } from './take-serials.js';
import { unitsNow } from './unit-now.js';
import { unitsOfDesign } from './units-of-design.js';

const unit = (id: string, name: string, more: Partial<LoggedUnit> = {}): LoggedUnit =>
  newLoggedUnit({ id, name, ...more });
const visit = (on: string, changes: readonly Partial<Visit['changes'][number]>[]): Visit => ({
  id: on,
  on,
  by: '',
  kind: 'service',
  text: '',
  changes: changes.map((change, index) => ({
    id: `${on} ${index}`,
    kind: 'firmware',
    unitId: 'a',
    what: 'Firmware',
    before: '',
    after: '',
    ...change,
  })),
});

describe('units as they are now', () => {
  it('carry what the last visit made of them, in whatever order visits were entered', () => {
    const [now] = unitsNow({
      units: [unit('a', 'Inverter', { serial: 'S1', firmware: '1.0' })],
      visits: [
        visit('2026-03-01', [{ after: '2.0' }]),
        visit('2025-03-01', [{ after: '1.5' }, { kind: 'part', after: 'S2' }]),
        visit('2026-04-01', [
          { kind: 'setting', after: '30 %' },
          { unitId: '', after: '9' },
        ]),
        visit('2026-05-01', [{ after: '' }]),
      ],
    });
    expect(now).toMatchObject({ serial: 'S2', firmware: '2.0', changedOn: '2026-05-01' });
  });
});

describe('units of a design', () => {
  const [first, second] = builtInCatalogue;
  const stacks = [
    {
      parts: [
        { unitId: first!.id, quantity: 2 },
        { unitId: second!.id, quantity: 1 },
      ],
    },
  ];
  let made = 0;
  const newId = (): string => `u${(made += 1)}`;

  it('are taken one by one, and only those that are missing', () => {
    const logbook = emptyLogbook();
    const units = unitsOfDesign({ logbook }, stacks, builtInCatalogue, '2026-01-01', newId);
    expect(units.map(({ name }) => name)).toEqual([
      `${first!.name}, 1 of 2`,
      `${first!.name}, 2 of 2`,
      second!.name,
    ]);
    const more = unitsOfDesign(
      { logbook: { ...logbook, units: [units[0]!] } },
      stacks,
      builtInCatalogue,
      null,
      newId,
    );
    expect(more.map(({ name }) => name)).toEqual([`${first!.name}, 2 of 2`, second!.name]);
    expect(unitsOfDesign({ logbook: { ...logbook, units } }, stacks, builtInCatalogue, null, newId)).toEqual(
      [],
    );
  });
});

describe('serial numbers of found devices', () => {
  it('go to units of their name, each once; what fits nothing is told', () => {
    const units = [
      unit('a', 'Madder 47, 1 of 2'),
      unit('b', 'Madder 47, 2 of 2', { serial: 'K' }),
      unit('c', 'Pack'),
    ];
    const {
      units: now,
      taken,
      left,
    } = takeSerials(units, [
      { model: 'Madder 47', serial: 'K', version: '' },
      { model: 'MADDER-47', serial: 'L', version: '3.1' },
      { model: 'Madder 47', serial: 'M', version: '' },
      { model: '', serial: 'N', version: '' },
    ]);
    expect(now.map(({ serial, firmware }) => [serial, firmware])).toEqual([
      ['L', '3.1'],
      ['K', ''],
      ['', ''],
    ]);
    expect(taken).toBe(1);
    expect(left).toEqual(['M', 'N']);
  });
});

describe('a drawing as built', () => {
  const text = (about: string, at: readonly [number, number]) => ({
    kind: 'text' as const,
    layer: 'text' as const,
    about,
    place: '',
    at,
    text: 'Q1',
    heightMm: 3,
    anchor: 'start' as const,
  });
  const drawing: Drawing = {
    widthMm: 100,
    heightMm: 50,
    items: [text('q1', [10, 10]), text('q2', [10, 30])],
  };

  it('stays as it is where nothing is said', () => {
    expect(withAsBuilt(drawing, [], [])).toBe(drawing);
  });

  it('has a numbered mark at each thing, side by side where one has two, and the list below', () => {
    const marked = withAsBuilt(
      drawing,
      [
        { about: 'q1', text: 'Place: lower' },
        { about: '', text: 'Sign: paper' },
        { about: 'q1', text: 'Size: 63 A' },
        { about: 'gone', text: 'Something' },
      ],
      ['Pack: S/N 7'],
    );
    const added = marked.items.slice(drawing.items.length);
    const triangles = added.filter(({ kind, about }) => kind === 'line' && about === 'q1');
    expect(triangles).toHaveLength(2);
    const lefts = triangles.map((one) => (one.kind === 'line' ? one.points[0]![0] : 0));
    expect(lefts[1]! - lefts[0]!).toBeGreaterThan(5);
    const words = added.flatMap((one) => (one.kind === 'text' ? [one.text] : []));
    expect(words).toEqual([
      '1',
      '3',
      'As built',
      '1  Place: lower',
      '2  Sign: paper',
      '3  Size: 63 A',
      '4  Something',
      'Pack: S/N 7',
    ]);
    expect(marked.heightMm).toBeGreaterThan(
      Math.max(...added.map((one) => (one.kind === 'text' ? one.at[1] : 0))),
    );
  });

  it('says deviations and the serial numbers that are known', () => {
    const { notes, rows } = asBuiltOf({
      units: [unit('a', 'Inverter', { serial: 'S1', firmware: '1.0' }), unit('b', 'Pack')],
      visits: [visit('2026-03-01', [{ after: '2.0' }])],
      deviations: [
        { id: 'd', aboutId: 'q1', what: 'Place', designed: 'left', built: 'right', why: '', on: null },
      ],
    });
    expect(notes).toEqual([{ about: 'q1', text: 'Place: right (designed: left)' }]);
    expect(rows).toEqual(['Inverter: S/N S1, firmware 2.0']);
  });
});
