import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { sampleTariffs } from './sample-tariffs.js';
import { readTariffFile, tariffFile } from './tariff-file.js';
import { tariffJsonSchema } from './tariff-json-schema.js';
import { maxTariffs, type Tariff } from './tariff.schema.js';

const samples = sampleTariffs('CAD', 'CA', false);
const [, second, third] = samples as [Tariff, Tariff, Tariff];
const problemsOf = (change: object): readonly string[] =>
  readTariffFile(tariffFile([{ ...third, ...change } as Tariff])).problems;

describe('a file of tariffs', () => {
  it('written and read again is the same', () => {
    expect(readTariffFile(tariffFile(samples))).toEqual({ tariffs: samples, problems: [] });
  });

  it('names what is wrong with a tariff, and keeps the others', () => {
    const { tariffs, problems } = readTariffFile(tariffFile([second, { ...third, currency: 'XXQ' }]));
    expect(tariffs).toEqual([second]);
    expect(problems[0]).toMatch(
      /^“Peak, shoulder, off-peak by season” is left out: currency: This is no currency/,
    );
    const [season] = third.seasons;
    const [band] = third.bands;
    const [window] = third.windows;
    for (const [change, said] of [
      [
        { bands: [{ ...band, prices: [{ id: 'winter', importPerKWh: '-0.1', exportPerKWh: null }] }] },
        'not below zero',
      ],
      [{ windows: [{ ...window, bandId: 'none' }] }, 'There is no such band'],
      [{ windows: [{ ...window, fromMin: 7 }] }, 'Use quarter hours'],
      [{ seasons: [{ ...season, fromMonth: 2, fromDay: 30 }] }, 'This month has 29 days'],
      [{ seasons: [season, { ...season, id: 'x' }] }, 'Two seasons begin on the same day'],
      [{ seasons: [season, season] }, 'share an identifier'],
      [{ bands: [] }, 'Keep at least one band'],
      [{ extraHolidays: ['2026-02-30'] }, 'There is no such day'],
      [{ holidays: 'Canada' }, 'Write a country'],
      [{ taxes: [{ id: 't', name: 'T', rate: 7, on: 'charges' }] }, 'at most 1'],
      [{ name: 'a\u0000b' }, 'control characters'],
    ] as const)
      expect(problemsOf(change).join(), said).toContain(said);
  });

  it('refuses what is no such file', () => {
    for (const [text, said] of [
      ['nonsense', 'This is not JSON'],
      ['[]', 'no file of tariffs'],
      ['{"format":"levamen-tariffs","version":9,"tariffs":[]}', 'version 9'],
      ['{"format":"levamen-tariffs","version":1,"tariffs":[]}', 'holds no tariff'],
      ['{"format":"levamen-tariffs","version":1,"tariffs":[7]}', 'Tariff 1 is left out'],
    ] as const)
      expect(readTariffFile(text).problems[0]).toContain(said);
  });

  it('takes no more than a job holds, and says so', () => {
    const many = Array.from({ length: maxTariffs + 2 }, (_, n) => ({ ...second, id: `t${n}` }));
    const { tariffs, problems } = readTariffFile(tariffFile(many));
    expect([tariffs.length, problems.length]).toEqual([maxTariffs, 2]);
  });

  it('has the schema that is published', () => {
    const published = readFileSync(
      new URL('../../../docs/levamen-tariffs.schema.json', import.meta.url),
      'utf8',
    );
    expect(JSON.parse(published)).toEqual(tariffJsonSchema());
  });
});
