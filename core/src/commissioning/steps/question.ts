import type { Phase, Step } from './step.js';

interface Asked {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly why: string;
  readonly causes?: readonly string[];
  readonly care?: Step['care'];
  readonly makeSafe?: string;
  readonly probe?: Step['probe'];
}

/** A step that asks whether something is so. */
export const question = (
  phase: Phase,
  { id, title, how, why, causes = [], care = null, makeSafe = '', probe = null }: Asked,
): Step => ({ id, phase, title, how, why, care, asks: { kind: 'so', causes }, makeSafe, probe });
