import { nameList, type Severity } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import type { Panel, Service } from '../../house/index.js';
import {
  type BenchItem,
  isBehindMains,
  type Island,
  type Plan,
  type ServiceBackup,
} from '../../design/index.js';
import type { DemandContext } from '../../study/index.js';

export type Report = (key: string, severity: Severity, title: string, because: string, cure?: string) => void;

/** What a service and its backup are looked at with. */
export interface Case {
  readonly plan: Plan;
  readonly service: Service;
  readonly said: ServiceBackup;
  /** The island it is in; of its own where it is not backed up. */
  readonly island: Island;
  /** Panels of this service. */
  readonly panels: readonly Panel[];
  readonly items: readonly BenchItem[];
  readonly context: DemandContext;
  readonly stack: Stack | null;
}

export const list = (names: readonly string[]): string => nameList(names, 4);
export const namesOf = (items: readonly BenchItem[]): string => list(items.map(({ name }) => name));
export const circuitsText = (count: number): string => (count === 1 ? '1 circuit' : `${count} circuits`);
export const isKept = ({ lane }: BenchItem): boolean => lane !== 'dark';

/** The breaker or rating the isolating device of a whole service must match, A; null = not known. */
export const serviceNeedsA = ({ service, panels, said }: Case): number | null => {
  const mains = panels.flatMap(({ fedFrom, mainBreakerA }) =>
    fedFrom.kind === 'service' && mainBreakerA !== null ? [mainBreakerA] : [],
  );
  const largest = mains.length > 0 ? Math.max(...mains) : null;
  // Cut off behind its main, a panel is protected by that; the service as a whole by what is ahead of it.
  return isBehindMains(said.isolation) && largest !== null
    ? largest
    : (service.mainBreakerA ?? service.ratingA ?? largest);
};
