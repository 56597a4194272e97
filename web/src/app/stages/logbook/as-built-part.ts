import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  type Deviation,
  deviationSchema,
  type LoggedUnit,
  loggedUnitSchema,
  newLoggedUnit,
} from '@levamen/core/house';
import { inServiceSince, takeSerials, unitsNow, unitsOfDesign } from '@levamen/core/logbook';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { SystemsApi } from '../../data/systems-api';
import { stackOf } from '../../data/stack-of';
import { WiringStudies } from '../../data/wiring-studies';
import { EntryList } from '../../ui/entry-list';
import { FormField } from '../../ui/form-field';
import { formsOf } from '../../ui/forms-of';
import { LogbookState } from './logbook-state';
import { islandsOf } from '@levamen/core/design';

/** What really hangs on the wall: units with their serial numbers, and what was built otherwise than designed. */
@Component({
  selector: 'lv-as-built-part',
  imports: [Button, EntryList, FormField],
  templateUrl: './as-built-part.html',
  styleUrls: ['./cards.css', './as-built-part.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AsBuiltPart {
  protected readonly state = inject(LogbookState);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly wiring = inject(WiringStudies);
  private readonly api = inject(SystemsApi);
  protected readonly says = signal('');
  protected readonly isAsking = signal(false);
  protected readonly unitNames = [
    'name',
    'serial',
    'firmware',
    'builtInOn',
    'warrantyYears',
    'warrantedShare',
    'note',
  ] as const;

  private readonly unitForms = formsOf<LoggedUnit>(
    loggedUnitSchema.shape,
    computed(() => this.state.logbook().units),
    (edit, label) => this.state.change(`unit: ${label}`, ({ units }) => ({ units: edit(units) })),
  );
  private readonly now = computed(
    () => new Map(unitsNow(this.state.logbook()).map((one) => [one.unit.id, one])),
  );
  protected readonly unitRows = computed(() =>
    this.unitForms().map(({ id, value, form }) => {
      const now = this.now().get(id);
      const { serial = '', firmware = '', changedOn = null } = now ?? {};
      const texts = [
        serial === '' ? 'no serial number yet' : `S/N ${serial}`,
        firmware === '' ? '' : `firmware ${firmware}`,
        changedOn === null ? '' : `changed ${changedOn}`,
      ];
      return { id, form, label: `${value().name}: ${texts.filter((text) => text !== '').join(', ')}` };
    }),
  );

  private readonly wired = computed(() => this.wiring.state());
  private readonly missing = computed(() => {
    const plan = this.session.plan();
    const { of } = this.wired();
    if (!plan || !of) return [];
    const stack = stackOf(of);
    const stacks = islandsOf(of.plan).flatMap((island) => stack(island) ?? []);
    return unitsOfDesign(plan, stacks, this.evaluations.catalogue(), inServiceSince(plan), () =>
      crypto.randomUUID(),
    );
  });
  protected readonly missingCount = computed(() => this.missing().length);
  private readonly address = computed(() => this.session.plan()?.commissioning.system ?? null);
  protected readonly mayAsk = computed(
    () => this.address() !== null && this.state.logbook().units.some(({ serial }) => serial === ''),
  );

  protected readonly deviations = formsOf<Deviation>(
    deviationSchema.shape,
    computed(() => this.state.logbook().deviations),
    (edit, label) =>
      this.state.change(`as built: ${label}`, ({ deviations }) => ({ deviations: edit(deviations) })),
  );
  /** What a deviation may be about: everything that stands on the one-line drawing. */
  protected readonly aboutChoices = computed(() => {
    const graph = this.wired().answer?.wired.graph;
    const things = graph
      ? [
          ...graph.places.filter(({ kind }) => kind !== 'terminals'),
          ...graph.parts.filter(({ device }) => device !== null),
        ].map(({ id, name }) => ({
          value: id,
          label: name,
        }))
      : [];
    const known = new Set(things.map(({ value }) => value));
    const gone = this.state
      .logbook()
      .deviations.filter(({ aboutId }) => aboutId !== '' && !known.has(aboutId))
      .map(({ aboutId }) => ({ value: aboutId as string, label: 'something the design has no more' }));
    return [{ value: '', label: 'none of them' }, ...things, ...gone];
  });

  protected addMissing(): void {
    const missing = this.missing();
    this.state.change('units of the design', ({ units }) => ({ units: [...units, ...missing] }));
  }

  protected addUnit(): void {
    this.state.change('unit', ({ units }) => ({
      units: [...units, newLoggedUnit({ id: crypto.randomUUID(), name: 'A unit' })],
    }));
  }

  protected addDeviation(): void {
    this.state.change('built otherwise', ({ deviations }) => ({
      deviations: [
        ...deviations,
        {
          id: crypto.randomUUID(),
          aboutId: '' as const,
          what: 'Something',
          designed: '',
          built: 'otherwise',
          why: '',
          on: this.state.today(),
        },
      ],
    }));
  }

  /** Serial numbers and firmware as the devices of the system say them. */
  protected async ask(): Promise<void> {
    const address = this.address();
    if (!address) return;
    this.isAsking.set(true);
    try {
      const found = await firstValueFrom(this.api.find(this.session.id(), address));
      const { units, taken, left } = takeSerials(this.state.logbook().units, found.units);
      if (taken > 0) this.state.change('serial numbers of the system', () => ({ units }));
      const rest =
        left.length === 0 ? '' : ` ${left.length} fit no unit that waits for one: ${left.join(', ')}.`;
      this.says.set(`${taken === 0 ? 'None' : taken} taken from the system.${rest}`);
    } catch (error) {
      this.says.set(problemText(error));
    } finally {
      this.isAsking.set(false);
    }
  }
}
