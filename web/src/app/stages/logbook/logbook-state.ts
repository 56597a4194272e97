import { computed, inject, Injectable, signal } from '@angular/core';
import { emptyLogbook, houseZone, type Logbook } from '@levamen/core/house';
import { dueDates } from '@levamen/core/logbook';
import { Identity } from '../../data/identity';
import { JobSession } from '../../data/job-session';
import { SignedIn } from '../../people/session';
import { localDay } from '../../ui/local-day';

/** The logbook of the open job, and its edits. */
@Injectable()
export class LogbookState {
  private readonly session = inject(JobSession);
  private readonly identity = inject(Identity);
  private readonly signed = inject(SignedIn);

  readonly logbook = computed((): Logbook => this.session.plan()?.logbook ?? emptyLogbook());
  readonly units = computed(() => this.session.plan()?.site.units ?? 'metric');
  readonly zone = computed(() => {
    const site = this.session.plan()?.site;
    return site ? houseZone(site) : 'UTC';
  });
  readonly due = computed(() => dueDates(this.logbook(), this.session.plan()?.commissioning.punch ?? []));
  /** The outage that is looked at; '' = the last one. */
  readonly chosenId = signal('');

  change(label: string, change: (logbook: Logbook) => Partial<Logbook>): void {
    this.session.edit(`logbook: ${label}`, (plan) => ({
      ...plan,
      logbook: { ...plan.logbook, ...change(plan.logbook) },
    }));
  }

  /** Takes an entry of a list away. */
  drop(list: keyof Logbook, id: string): void {
    this.change('taken away', (now) => ({
      [list]: (now[list] as readonly { readonly id: string }[]).filter((one) => one.id !== id),
    }));
  }

  /** Whoever is at work. */
  who(): string {
    const typed = this.identity.who().actor;
    return typed !== '' ? typed : (this.signed.who()?.name ?? '');
  }

  /** The day it is. */
  today(): string {
    return localDay(new Date());
  }
}
