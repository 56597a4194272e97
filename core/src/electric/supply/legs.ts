import * as z from 'zod';
import type { SupplySystem } from './supply.schema.js';

/** Every way a load can sit on the conductors of a supply. */
export const legSets = ['L1', 'L2', 'L3', 'L1-L2', 'L2-L3', 'L1-L3', 'L1-L2-L3'] as const;
export const legSetSchema = z.enum(legSets, { error: `Choose one of: ${legSets.join(', ')}` });
export type LegSet = z.infer<typeof legSetSchema>;

export type Leg = 'L1' | 'L2' | 'L3';

interface SystemFacts {
  readonly label: string;
  readonly legs: readonly Leg[];
  readonly legSets: readonly LegSet[];
  /** Line to neutral. */
  readonly legVoltageV: number;
  /** Line to line; equal to the leg voltage where there is one leg only. */
  readonly lineVoltageV: number;
}

/** Nominal facts of each supply system (nominal voltages: ANSI C84.1 and IEC 60038; recalled). */
export const systemFacts: Readonly<Record<SupplySystem, SystemFacts>> = {
  'split-120-240': {
    label: 'Split phase 120/240 V',
    legs: ['L1', 'L2'],
    legSets: ['L1', 'L2', 'L1-L2'],
    legVoltageV: 120,
    lineVoltageV: 240,
  },
  'two-legs-120-208': {
    label: 'Two legs of 120/208 V',
    legs: ['L1', 'L2'],
    legSets: ['L1', 'L2', 'L1-L2'],
    legVoltageV: 120,
    lineVoltageV: 208,
  },
  'single-230': {
    label: 'Single phase 230 V',
    legs: ['L1'],
    legSets: ['L1'],
    legVoltageV: 230,
    lineVoltageV: 230,
  },
  'three-230-400': {
    label: 'Three phase 230/400 V',
    legs: ['L1', 'L2', 'L3'],
    legSets: [...legSets],
    legVoltageV: 230,
    lineVoltageV: 400,
  },
};

/** The legs a set names, in order: 'L1-L3' gives ['L1', 'L3']. */
export const legsOf = (set: LegSet): Leg[] => set.split('-') as Leg[];
