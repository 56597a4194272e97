import type { BusbarClauses } from '../busbar/busbar-705-12.js';
import type { Rule } from './rule.schema.js';

/** The packs there are. */
export const packIds = ['us-2023', 'us-2020', 'uk', 'au-nz', 'iec'] as const;
export type PackId = (typeof packIds)[number];

/** Rules with the edition they are cited by: what a judgement needs. */
export interface PackRules {
  readonly rules: readonly Rule[];
  readonly edition: string;
}

/** Numbers and choices of a code that calculations ask for. */
export interface PackValues {
  readonly sizes: 'american' | 'metric';
  /** Currents that flow for three hours and more count for so many times themselves. */
  readonly continuousFactor: number;
  /** Where that stands; ''. */
  readonly continuousClause: string;
  /** Busbars that sources feed are judged by the ways of 705.12, which stand at these clauses; null = they are not. */
  readonly busbarClauses: BusbarClauses | null;
  /** Clauses of the tables of conductors and of the resistance of conductors. */
  readonly conductorTable: string;
  readonly resistanceTable: string;
  /** Conductors of sources ahead of the service disconnect are no thinner than this; null = no such rule. */
  readonly supplySideLeast: {
    readonly copperMm2: number;
    readonly aluminiumMm2: number;
    readonly clause: string;
  } | null;
  /** What breakers of houses interrupt where nothing else is marked (common practice, no source), A. */
  readonly usualInterruptsA: number;
  readonly signs: 'nec' | 'bs';
  /** Who joins neutral and earth of a supply there (common practice, no source). */
  readonly bonds: 'house' | 'supplier';
}

/** A code of a place and an edition, as data. Recalled from memory, all of it. */
export interface RulePack extends PackRules {
  readonly id: PackId;
  readonly name: string;
  readonly place: string;
  /** Said wherever the pack is used. */
  readonly lacks: string;
  readonly values: PackValues;
}
