import { computed, inject, Injectable } from '@angular/core';
import type { Island } from '@levamen/core/design';
import type { Step } from '@levamen/core/commissioning';
import {
  designedBattery,
  expectationOf,
  type Found,
  mainHandles,
  outageScript,
  readNow,
  stagedOutageReport,
  sunBeforeW,
} from '@levamen/core/commissioning/details';
import { CommissioningState } from './commissioning-state';
import { SystemState } from './system-state';

/** What the recording that is looked at tells, held against the design. */
@Injectable()
export class StagedOutage {
  private readonly state = inject(CommissioningState);
  private readonly system = inject(SystemState);

  /** The island it is of: the one that was named as it began, else the first that has a stack. */
  readonly island = computed((): Island | null => {
    const design = this.state.design();
    const outage = this.state.record().outages.find(({ id }) => id === this.system.shown()?.id);
    const fed = design?.islands.filter(({ stack }) => stack !== null) ?? [];
    return (fed.find(({ island }) => island.id === outage?.islandId) ?? fed[0])?.island ?? null;
  });
  readonly stack = computed(() => {
    const id = this.island()?.id;
    return this.state.design()?.islands.find((one) => one.island.id === id)?.stack ?? null;
  });
  readonly designed = computed(() => {
    const design = this.state.design();
    const island = this.island();
    const stack = this.stack();
    return design && island && stack ? designedBattery(design.plan, island, stack) : null;
  });
  readonly expects = computed(() => {
    const design = this.state.design();
    const island = this.island();
    const designed = this.designed();
    return design && island && designed ? expectationOf(design, island.id, designed) : null;
  });
  readonly report = computed(() => {
    const expects = this.expects();
    const designed = this.designed();
    const samples = this.system.samples();
    return expects && designed && samples.length > 0 ? stagedOutageReport(samples, expects, designed) : null;
  });
  readonly script = computed(() => {
    const expects = this.expects();
    const samples = this.system.samples();
    const last = samples.at(-1);
    if (!expects || !last) return [];
    const design = this.state.design();
    const [main = ''] = design ? mainHandles(design.wired) : [];
    const events = this.report()?.events ?? [];
    const awayAt = events.find(({ kind }) => kind === 'grid-away')?.second ?? last.second;
    return outageScript(expects, events, last.second, main, sunBeforeW(samples, awayAt) !== null);
  });

  /** What the system itself shows of a step: now, or in the recording; null = nothing. */
  foundOf(step: Step, before: ReturnType<SystemState['now']>): Found | null {
    const { probe } = step;
    if (!probe) return null;
    if (probe.show === 'outage') return this.report()?.findings.get(probe.aspect) ?? null;
    const now = this.system.now();
    return now && readNow(probe, now, before);
  }

  /** Open steps that the recording answers, and whether it is their turn. */
  private readonly answerable = computed(() => {
    const findings = this.report()?.findings;
    return (this.state.stand()?.steps ?? []).flatMap(({ step, verdict, waitsFor }) => {
      const found = step.probe?.show === 'outage' ? findings?.get(step.probe.aspect) : undefined;
      return found && verdict === 'open' ? [{ step, found, waits: waitsFor.length > 0 }] : [];
    });
  });
  readonly answered = computed(() => this.answerable().filter(({ waits }) => !waits));
  /** How many of them wait for steps before them. */
  readonly waiting = computed(() => this.answerable().length - this.answered().length);

  /** Takes all of them, in one step of undo. */
  takeAnswered(): void {
    this.state.takeFound(this.answered(), this.system.address()?.host ?? '');
  }
}
