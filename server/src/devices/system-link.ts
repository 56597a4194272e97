import type { FoundSystem } from '@levamen/core/api';
import type { SystemNow } from '@levamen/core/commissioning/details';
import {
  findModels,
  type FoundModel,
  readAll,
  readModel,
  type ReadRegisters,
  sunSpecModels,
  systemReading,
  type UnitReading,
} from '@levamen/core/device';
import { type SystemAddress, unitIdsOf } from '@levamen/core/house';
import { ModbusLine } from './modbus-line.js';
import { readOverHttp } from './read-over-http.js';

/** Models that are asked every second; the others say what a device is. */
const askedAlways: ReadonlySet<number> = new Set([101, 102, 103, 201, 202, 203, 701, 713, 802]);
/** Of so many questions, the last ones, the answered share is told. */
const remembered = 60;
/** Whoever shares an address is heard now and then: serial numbers count as heard for so long, ms. */
const serialsLastMs = 20_000;
/** A lost answer is asked for again so often while the devices are looked for. */
const triesToFind = 3;

interface FoundUnit {
  readonly unitId: number;
  readonly models: readonly FoundModel[];
}

/** The devices of a system over one connection: found once, then asked second by second. */
export class SystemLink {
  private readonly line: ModbusLine;
  private units: FoundUnit[] = [];
  private readonly answers: boolean[] = [];
  private readonly serials = new Map<number, Map<string, number>>();

  constructor(
    private readonly address: SystemAddress,
    private readonly clock: () => number = Date.now,
  ) {
    this.line = new ModbusLine(address.host, address.port);
  }

  get isConnected(): boolean {
    return this.line.isConnected;
  }

  close(): void {
    this.line.close();
  }

  /**
   * Connects, and finds what stands behind each unit id.
   *
   * @throws Error in words where nobody answers at all
   */
  async find(): Promise<FoundSystem> {
    await this.line.open();
    const problems: string[] = [];
    this.units = [];
    for (const unitId of unitIdsOf(this.address.units) ?? []) {
      try {
        const chain = await findModels(this.patient(unitId));
        this.units.push({ unitId, models: chain.models });
        problems.push(...chain.problems.map((problem) => `Unit ${unitId}: ${problem}`));
      } catch (error) {
        if (!this.line.isConnected)
          throw new Error('The connection was lost while its devices were looked for', { cause: error });
        problems.push(`Unit ${unitId}: ${wordsOf(error)}`);
      }
    }
    return {
      units: this.units.map(({ unitId, models }) => {
        const common = models.find(({ number }) => number === 1)?.values ?? {};
        const text = (name: string): string => {
          const value = common[name];
          return typeof value === 'string' ? value : '';
        };
        return {
          unitId,
          maker: text('Mn'),
          model: text('Md'),
          serial: text('SN'),
          version: text('Vr'),
          models: models.map(({ number }) => number),
        };
      }),
      problems,
    };
  }

  /**
   * What all devices show now. A question nobody answers leaves what it asked for empty.
   *
   * @throws Error where the connection is lost, or nothing was answered at all
   */
  async read(): Promise<{
    /** Without the second it is counted as. */
    readonly now: Omit<SystemNow, 'second'>;
    /** The system’s own count of seconds; null = it has none. */
    readonly countS: number | null;
    readonly problems: readonly string[];
  }> {
    const readings: UnitReading[] = [];
    let answered = 0;
    for (const { unitId, models } of this.units) {
      const read: { number: number; values: FoundModel['values'] }[] = [];
      for (const model of models) {
        // The name plate of a battery is asked too: of two with one address now the one is heard, now the other.
        const isNameOfBattery = model.number === 1 && models.some(({ number }) => number === 802);
        if (!askedAlways.has(model.number) && !isNameOfBattery) continue;
        const values = await this.ask(unitId, model);
        if (values) answered += 1;
        read.push({ number: model.number, values });
      }
      readings.push({ unitId, models: read });
    }
    if (this.units.length === 0) throw new Error('None of its unit ids answers');
    if (answered === 0) throw new Error('Its devices answer no more');
    const { problems, batteries, ...reading } = systemReading(readings);
    const { doubled, heard } = this.hear(batteries);
    const { clockOffS, gapMs, countS } = await readOverHttp(this.address, this.clock);
    return {
      now: {
        ...reading,
        gridV: reading.gridLegV[0] ?? null,
        batteries: heard,
        doubled,
        clockOffS,
        gapMs,
        answered: this.answers.length < 10 ? null : this.answers.filter(Boolean).length / this.answers.length,
      },
      countS,
      problems,
    };
  }

  private async ask(unitId: number, { number, address, length }: FoundModel): Promise<FoundModel['values']> {
    const model = sunSpecModels.get(number);
    if (!model) return null;
    try {
      const registers = await readAll((from, count) => this.line.read(unitId, from, count), address, length);
      this.note(true);
      return readModel(model, registers).values;
    } catch (error) {
      if (!this.line.isConnected) throw new Error('The connection was lost', { cause: error });
      this.note(false);
      return null;
    }
  }

  /** Asks again for what is lost; a unit that never answers is not asked at other addresses too. */
  private patient(unitId: number): ReadRegisters {
    let isMute = false;
    return async (address, count) => {
      for (let tried = 1; !isMute; tried += 1) {
        try {
          return await this.line.read(unitId, address, count);
        } catch (error) {
          const isLost = (error as { errno?: unknown } | null)?.errno === 'ETIMEDOUT';
          if (!isLost) throw error;
          isMute = tried === triesToFind;
        }
      }
      throw new Error('no answer');
    };
  }

  private note(isAnswered: boolean): void {
    this.answers.push(isAnswered);
    if (this.answers.length > remembered) this.answers.shift();
  }

  /** Batteries that were heard of late, and addresses at which more than one serial number was. */
  private hear(
    batteries: readonly {
      readonly unitId: number;
      readonly serial: string;
      readonly charge: number | null;
    }[],
  ) {
    const now = this.clock();
    for (const { unitId, serial } of batteries) {
      const known = this.serials.get(unitId) ?? new Map<string, number>();
      if (serial !== '') known.set(serial, now);
      this.serials.set(unitId, known);
    }
    const doubled: string[] = [];
    for (const [unitId, known] of this.serials) {
      for (const [serial, at] of known) if (now - at > serialsLastMs) known.delete(serial);
      if (known.size > 1) doubled.push(`unit ${unitId}`);
    }
    return {
      doubled,
      heard: batteries.flatMap(({ unitId, serial, charge }) => {
        const known = [...(this.serials.get(unitId)?.keys() ?? [])];
        return known.length === 0 && charge === null ? [] : [{ serial: known.join('/') || serial, charge }];
      }),
    };
  }
}

/** Whoever stands before the devices says so where none has the unit id (Modbus application protocol). */
const nobodyThere = /exception 1[01]\b/;

function wordsOf(error: unknown): string {
  const message = (error as { message?: unknown } | null)?.message;
  if (typeof message !== 'string' || message === '') return 'no answer';
  return nobodyThere.test(message) ? 'nobody answers there' : message;
}
