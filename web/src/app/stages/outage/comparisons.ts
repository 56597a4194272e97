import { usualArray, usualGenerator, type OutageStudy, type Scenario } from '@levamen/core';
import type { Choice } from '../../ui/choice-field';

export const comparisons = [
  'nothing',
  'saving',
  'usual',
  'no-sun',
  'sun',
  'no-generator',
  'generator',
  'half-full',
] as const;
export type Comparison = (typeof comparisons)[number];

/** What an outage can be compared with, as the job stands. */
export function comparisonChoices({ arrays, generator, household }: Scenario): Choice<Comparison>[] {
  return [
    { label: 'Nothing', value: 'nothing' },
    household === 'usual'
      ? { label: 'A household that saves', value: 'saving' }
      : { label: 'A household that lives as usual', value: 'usual' },
    arrays.length > 0
      ? { label: 'The same without sun', value: 'no-sun' }
      : { label: 'The same with 6 kW of sun', value: 'sun' },
    generator
      ? { label: 'The same without generator', value: 'no-generator' }
      : { label: 'The same with a generator', value: 'generator' },
    { label: 'A battery half full', value: 'half-full' },
  ];
}

/** The study to compare with; null for none. */
export function comparedStudy(study: OutageStudy, comparison: Comparison): OutageStudy | null {
  const { job } = study;
  const changes: Readonly<Record<Comparison, () => Partial<Scenario> | null>> = {
    nothing: () => null,
    saving: () => ({ household: 'saving' }),
    usual: () => ({ household: 'usual' }),
    'no-sun': () => ({ arrays: [] }),
    sun: () => ({ arrays: [usualArray(job, 'compared', 'Compared')] }),
    'no-generator': () => ({ generator: null }),
    generator: () => ({ generator: usualGenerator('auto') }),
    'half-full': () => ({ startCharge: 0.5 }),
  };
  const changed = changes[comparison]();
  return changed && { ...study, job: { ...job, outage: { ...job.outage, ...changed } } };
}
