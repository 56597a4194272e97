import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chainRegisters, findModels, type HeldModel, type ReadRegisters } from './model-chain.js';
import { modelRegisters, readModel } from './model-registers.js';
import { sunSpecModels } from './models.js';
import { offsetOf } from '../testing/outside-device.js';
import { lengthOf, type SunSpecModel } from './point.js';

const model = (number: number): SunSpecModel => sunSpecModels.get(number)!;

describe('layouts', () => {
  it('name each point once, and scale by points that are there', () => {
    for (const { points } of sunSpecModels.values()) {
      const names = points.map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
      for (const { scale } of points)
        if (scale !== '') expect(points.find(({ name }) => name === scale)?.type).toBe('sunssf');
    }
  });
});

describe('values', () => {
  it('are there again when they are read, to half a step of their scale', () => {
    const held = model(701);
    fc.assert(
      fc.property(
        fc.double({ min: -30_000, max: 30_000, noNaN: true }),
        fc.double({ min: 40, max: 70, noNaN: true }),
        fc.integer({ min: -1, max: 2 }),
        (watts, hz, power) => {
          const { values, problems } = readModel(
            held,
            modelRegisters(held, { W: watts / 10, W_SF: power, Hz: hz, Hz_SF: -3 }),
          );
          expect(problems).toEqual([]);
          expect(Math.abs((values['W'] as number) - watts / 10)).toBeLessThanOrEqual(
            0.5 * 10 ** power + 1e-9,
          );
          expect(values['Hz']).toBeCloseTo(hz, 3);
          expect(values['A']).toBeNull();
        },
      ),
    );
  });

  it('are the most their registers hold where they are larger, never the mark of what is not there', () => {
    const meter = model(203);
    const read = (W: number) => readModel(meter, modelRegisters(meter, { W, W_SF: 0 })).values['W'];
    expect([read(1e9), read(-1e9)]).toEqual([32_767, -32_767]);
  });

  it('of two registers have the higher one first; texts two letters in each', () => {
    const common = model(1);
    const registers = modelRegisters(common, { Mn: 'Ab', SN: '77' });
    expect([registers.length, registers[0], registers[1], registers[48]]).toEqual([66, 0x4162, 0, 0x3737]);
    const ac = modelRegisters(model(701), { Hz: 65.537, Hz_SF: -3 });
    expect([ac[15], ac[16]]).toEqual([1, 1]);
  });

  // The marks of what is not implemented (SunSpec information model, recalled).
  it.each([
    ['int16', 103, 'W', [0x8000]],
    ['uint16', 103, 'Hz', [0xffff]],
    ['enum16', 103, 'St', [0xffff]],
    ['acc32', 103, 'WH', [0, 0]],
    ['bitfield32', 103, 'Evt1', [0xffff, 0xffff]],
    ['int32', 704, 'WSet', [0x8000, 0]],
    ['uint32', 701, 'Hz', [0xffff, 0xffff]],
    ['uint64', 701, 'TotWhInj', [0xffff, 0xffff, 0xffff, 0xffff]],
  ] as const)('%s that is not implemented is null', (_, number, name, mark) => {
    const registers = Array.from({ length: lengthOf(model(number)) }, () => 0);
    const at = offsetOf(number, name) - 2;
    mark.forEach((register, i) => (registers[at + i] = register));
    expect(readModel(model(number), registers).values[name]).toBeNull();
  });

  it('with a scale that cannot be are null, and it is said', () => {
    const registers = modelRegisters(model(713), { WHRtg: 13_500, WH_SF: 0, SoC: 80, Pct_SF: 0 });
    registers[5] = 300;
    registers[6] = 0x8000;
    const { values, problems } = readModel(model(713), registers);
    expect([values['WHRtg'], values['SoC']]).toEqual([null, null]);
    expect(problems.join()).toMatch(/WHRtg.*SoC of model 713 has no scale that can be \(Pct_SF: null\)/);
  });

  it('of any registers are numbers, texts of printable letters, or nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...sunSpecModels.values()),
        fc.array(fc.integer({ min: 0, max: 0xffff }), { maxLength: 170 }),
        (any, registers) => {
          for (const value of Object.values(readModel(any, registers).values)) {
            if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
            else if (value !== null) expect(value).toMatch(/^[ -~]*$/);
          }
        },
      ),
    );
  });
});

/** A device whose registers begin at an address. */
const deviceAt =
  (base: number, registers: readonly number[]): ReadRegisters =>
  (address, count) =>
    address >= base && address + count <= base + registers.length
      ? Promise.resolve(registers.slice(address - base, address - base + count))
      : Promise.reject(new Error('Illegal data address'));
const held: HeldModel[] = [
  { model: model(1), values: { Mn: 'Levamen', Md: 'Simulated' } },
  { model: model(701), values: { W: 1200, W_SF: 0 } },
];

describe('a device', () => {
  it.each([40_000, 50_000, 0])('whose models begin at %i is found and read', async (base) => {
    const found = await findModels(deviceAt(base, chainRegisters(held)));
    expect([found.base, found.models.map(({ number }) => number), found.problems]).toEqual([
      base,
      [1, 701],
      [],
    ]);
    expect([found.models[0]?.values?.['Mn'], found.models[1]?.values?.['W']]).toEqual(['Levamen', 1200]);
    expect(found.models[1]?.address).toBe(base + 2 + 68 + 2);
  });

  it('with a model nobody knows here is read past it; one with fewer registers says so', async () => {
    const [suns, ns, ...rest] = chainRegisters(held);
    const registers = [
      suns!,
      ns!,
      64_001,
      3,
      1,
      2,
      3,
      1,
      10,
      ...Array.from({ length: 10 }, () => 0x4141),
      ...rest,
    ];
    const { models, problems } = await findModels(deviceAt(40_000, registers));
    expect(models.map(({ number, values }) => [number, values === null])).toEqual([
      [64_001, true],
      [1, false],
      [1, false],
      [701, false],
    ]);
    expect(problems).toEqual(['Model 1 has 10 registers; 66 are usual']);
  });

  it('that is none, or answers nonsense, is refused in words', async () => {
    await expect(findModels(deviceAt(40_000, [1, 2, 3]))).rejects.toThrow(/No marker "SunS".*unit id/);
    const endless: ReadRegisters = (address, count) =>
      Promise.resolve(Array.from({ length: count }, (_, i) => [0x5375, 0x6e53][address + i - 40_000] ?? 5));
    await expect(findModels(endless)).rejects.toThrow('do not end');
    const huge = [0x5375, 0x6e53, 9, 10_000, ...Array.from({ length: 10_000 }, () => 0)];
    await expect(findModels(deviceAt(40_000, huge))).rejects.toThrow('10000 registers');
    const short: ReadRegisters = (address, count) =>
      Promise.resolve(count === 2 ? chainRegisters(held).slice(address - 40_000, address - 39_998) : [1]);
    await expect(findModels(short)).rejects.toThrow('answered with 1 registers');
  });
});
