import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldFacts } from '../../base/index.js';
import { sampleLine } from '../sample/sample-line.js';
import { companyItems } from '../testing/company-items.js';
import { itemKindNames } from '../items/item-kinds.js';
import { fieldsOfKind } from '../items/item-columns.js';
import { itemTable } from './item-table.js';
import { columnMeanings, identifierOf, readItemTable } from './read-item-table.js';
import { readPastedSheet } from './read-pasted-sheet.js';

const all = [...sampleLine, ...companyItems];

describe('tables of items', () => {
  it('come back as they went, whatever the order of the columns', () => {
    const table = itemTable(all);
    const back = readItemTable(table);
    expect(back.problems).toEqual([]);
    expect(back.leftOut).toEqual([]);
    expect(back.items).toEqual(all);
    const turned = table.map((row) => row.toReversed());
    expect(readItemTable(turned).items).toEqual(all);
  });

  it('come back with any digits', () => {
    const item = companyItems[0]!;
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 50_000, noNaN: true }),
        fc.double({ min: 0.5, max: 0.98, noNaN: true }),
        (power, share) => {
          if (item.kind !== 'battery-inverter') throw new Error('another kind');
          const continuousVA = Math.round(power * 1e3) / 1e3;
          const ratings = {
            ...item.ratings,
            continuousVA,
            continuousW: null,
            perLegVA: null,
            overload: [],
            dischargeEfficiency: Math.round(share * 1e6) / 1e6,
          };
          const one = { ...item, ratings };
          expect(readItemTable(itemTable([one])).items).toEqual([one]);
        },
      ),
    );
  });

  it('call the fields of each kind by names of their own', () => {
    for (const kind of itemKindNames) {
      const labels = fieldsOfKind(kind).map(({ schema }) => fieldFacts.get(schema)!.label.toLowerCase());
      expect(new Set(labels).size, kind).toBe(labels.length);
      const keys = fieldsOfKind(kind).map(({ key }) => key);
      expect(new Set(keys).size, kind).toBe(keys.length);
    }
  });

  it('take units from headings and cells, and the columns of another company', () => {
    const { items, problems, leftOut } = readItemTable([
      ['Name', 'kind', 'Mass (lb)', 'Continuous power [kVA]', 'Supplies', 'Feeds', 'maxParallel', 'Colour'],
      ['One', 'Hybrid inverter', '100', '7.2', 'Split phase 120/240 V', 'two legs', '3', 'blue'],
      ['Two', 'hybrid-inverter', '40 kg', '8400 VA', 'split-120-240; two-legs-120-208', 'two', '1', 'red'],
    ]);
    expect(problems).toEqual([]);
    expect(leftOut).toEqual(['Colour']);
    expect(items.map(({ id, massKg }) => [id, massKg])).toEqual([
      ['one', 45.359237],
      ['two', 40],
    ]);
    expect(items[1]!.ratings).toMatchObject({
      continuousVA: 8400,
      systems: ['split-120-240', 'two-legs-120-208'],
      transferGapMs: null,
    });
  });

  it('are read by what others call the same things', () => {
    const { items, problems, leftOut } = readItemTable([
      [
        'Product',
        'Kind',
        'Weight [lb]',
        'Total energy, kWh',
        'Usable capacity (kWh)',
        'Nominal battery voltage (V)',
        'Chemistry',
        'RRP',
      ],
      ['Pack', 'Battery module', '100', '5.2', '4.9', '51.2', 'lithium', '999'],
    ]);
    expect(problems).toEqual([]);
    expect(leftOut).toEqual(['RRP']);
    expect(items[0]).toMatchObject({
      id: 'pack',
      massKg: 45.359237,
      ratings: { nameplateWh: 5200, usableWh: 4900, nominalVoltageV: 51.2 },
    });
  });

  it('name what is wrong by row and column, and keep the good rows', () => {
    const [headings, ...rows] = itemTable(companyItems);
    const column = (name: string) => headings!.indexOf(name);
    const broken = rows.map((row) => [...row]);
    broken[0]![column('Continuous power (VA)')] = 'much';
    broken[1]![column('Usable energy (kWh)')] = '99';
    broken[2]![column('Kind')] = 'Toaster';
    broken[3]![column('Mass (kg)')] = '-4';
    broken[4]![column('Goes with')] = 'rush-block eight';
    broken[5]![column('Identifier')] = broken[6]![column('Identifier')]!;
    const { items, problems } = readItemTable([headings!, ...broken]);
    expect(problems.map(({ row, column: of }) => `${row} ${of}`)).toEqual([
      '2 Continuous power (VA)',
      '3 Usable energy',
      '4 Kind',
      '5 Mass (kg)',
      '6 Goes with',
      '8 Identifier',
    ]);
    expect(problems[0]!.message).toContain('“much” is not a number');
    expect(items).toHaveLength(companyItems.length - 6);
  });

  it('that name no columns are refused in words', () => {
    expect(readItemTable([['a', 'b']]).problems[0]!.message).toContain('“Kind” and “Name” are needed');
    expect(readItemTable([]).items).toEqual([]);
  });

  it('survive hostile texts', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string())), (rows) => {
        readItemTable([['Kind', 'Name', 'Goes with', 'Overload'], ...rows]);
      }),
    );
    expect(identifierOf('<script>alert(1)</script>')).toBe('script-alert-1-script');
    expect(identifierOf('…')).toBe('item');
  });
});

describe('a column of a data sheet', () => {
  it('is read by what data sheets call things', () => {
    const { found, problems, leftOut } = readPastedSheet(
      'battery-inverter',
      [
        'Nominal output power\t6.8 kVA',
        'Transfer time: < fast',
        'Switchover time: 28 ms',
        'Total energy    14.6 kWh',
        'Usable capacity (kWh): 13.9',
        'Weight: 311 lb',
        'Dimensions (W x H x D): 640 × 1180 × 213 mm',
        'Operating temperature: -18 to 48 °C',
        'Warranty period: 10 years',
        'Colour: white',
        'IP65',
      ].join('\n'),
    );
    expect(Object.fromEntries(found.map(({ field, value }) => [field.key, value]))).toEqual({
      continuousVA: 6800,
      transferGapMs: 28,
      nameplateWh: 14_600,
      usableWh: 13_900,
      massKg: 141.06722707,
      widthMm: 640,
      heightMm: 1180,
      depthMm: 213,
      coldestC: -18,
      hottestC: 48,
      warrantyYears: 10,
    });
    expect(problems.map(({ line }) => line)).toEqual(['Transfer time: < fast']);
    expect(leftOut).toEqual(['Colour: white', 'IP65']);
  });
});

describe('a list that calls everything otherwise', () => {
  const table = itemTable(companyItems);
  // "Mass (kg)" becomes "C7 (kg)": the unit stays in the heading.
  const codes = table[0]!.map((heading, column) => `C${column}${/ \([^()]*\)$/.exec(heading)?.[0] ?? ''}`);
  const strange = [codes, ...table.slice(1)];

  it('is refused with all its columns, and read once they are explained', () => {
    const refused = readItemTable(strange);
    expect(refused.items).toEqual([]);
    expect(refused.problems[0]!.message).toContain('Say below');
    expect(refused.leftOut).toEqual(codes);
    const columns = new Map(
      codes.map((code, column) => [code, table[0]![column]!.replace(/ \([^()]*\)$/, '')] as const),
    );
    for (const meaning of columns.values()) expect(columnMeanings()).toContain(meaning);
    const read = readItemTable(strange, { columns });
    expect(read.problems).toEqual([]);
    expect(read.leftOut).toEqual([]);
    expect(read.items).toEqual(companyItems);
  });

  it('need not say what kind its rows are, where all are alike', () => {
    const rows = [
      ['Bezeichnung', 'Spaces', 'Busbar (A)'],
      ['Alder panel', '24', '125'],
    ];
    const columns = new Map([['Bezeichnung', 'Name']]);
    expect(readItemTable(rows, { columns }).problems[0]!.message).toContain('is no kind of item');
    const { items, problems } = readItemTable(rows, { columns, kind: 'panel' });
    expect(problems).toEqual([]);
    expect(items).toMatchObject([{ name: 'Alder panel', kind: 'panel', ratings: { spaces: 24, busA: 125 } }]);
  });
});
