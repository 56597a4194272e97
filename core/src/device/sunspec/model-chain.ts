import { type PointValues, modelRegisters, readModel } from './model-registers.js';
import { sunSpecModels } from './models.js';
import type { SunSpecModel } from './point.js';

/** Where the marker may stand, in this order (recalled). */
export const sunSpecBases = [40_000, 0, 50_000] as const;
/** "SunS". */
const marker = [0x5375, 0x6e53] as const;
const endModel = 0xffff;
/** No device has more: a chain that goes on for longer is none. */
const mostModels = 40;
const mostRegisters = 4096;
/** Registers one request may ask for (Modbus application protocol). */
const atOnce = 120;

/** A model as a device holds it. */
export interface HeldModel {
  readonly model: SunSpecModel;
  readonly values: PointValues;
}

/** Registers of a device, from its base on: marker, models one after the other, end. */
export const chainRegisters = (models: readonly HeldModel[]): number[] => [
  ...marker,
  ...models.flatMap(({ model, values }) => {
    const registers = modelRegisters(model, values);
    return [model.number, registers.length, ...registers];
  }),
  endModel,
  0,
];

/** A model that was found, with what is known of it. */
export interface FoundModel {
  readonly number: number;
  /** Its first register after number and length. */
  readonly address: number;
  readonly length: number;
  /** null = one that is not known here. */
  readonly values: PointValues | null;
}

export interface FoundChain {
  readonly base: number;
  readonly models: readonly FoundModel[];
  /** What is wrong with it, in words. */
  readonly problems: readonly string[];
}

/** Reads so many registers from an address on; rejects where the device refuses them. */
export type ReadRegisters = (address: number, count: number) => Promise<readonly number[]>;

/**
 * So many registers, in as many requests as that takes.
 *
 * @throws Error where a request is refused, or answered with fewer
 */
export async function readAll(read: ReadRegisters, address: number, count: number): Promise<number[]> {
  const all: number[] = [];
  while (all.length < count) {
    const wanted = Math.min(atOnce, count - all.length);
    const some = await read(address + all.length, wanted);
    if (some.length !== wanted)
      throw new Error(`The device answered with ${some.length} registers where ${wanted} were asked for`);
    all.push(...some);
  }
  return all;
}

/**
 * Finds the models of a device from the marker "SunS" on, and reads those that are known here.
 *
 * @throws Error in words where there is no marker, or the chain of models does not end
 */
export async function findModels(read: ReadRegisters): Promise<FoundChain> {
  let base: number | null = null;
  let refusal = '';
  for (const at of sunSpecBases) {
    const begins = await read(at, 2).catch((error: unknown) => {
      refusal = error instanceof Error ? error.message : String(error);
      return null;
    });
    if (begins?.[0] === marker[0] && begins[1] === marker[1]) {
      base = at;
      break;
    }
  }
  if (base === null)
    throw new Error(
      `No marker "SunS" at ${sunSpecBases.join(', ')}${refusal === '' ? '' : ` (${refusal})`}: is it the right unit id?`,
    );
  const models: FoundModel[] = [];
  const problems: string[] = [];
  let address = base + 2;
  for (;;) {
    const [number = endModel, length = 0] = await readAll(read, address, 2);
    if (number === endModel) break;
    if (models.length === mostModels || address + length - base > mostRegisters || length === 0)
      throw new Error(
        `The models of the device do not end: model ${number} of ${length} registers at ${address}`,
      );
    const model = sunSpecModels.get(number);
    const found = model && readModel(model, await readAll(read, address + 2, length));
    models.push({ number, address: address + 2, length, values: found?.values ?? null });
    problems.push(...(found?.problems ?? []));
    address += 2 + length;
  }
  return { base, models, problems };
}
