import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Plan } from '@levamen/core/design';
import { isSouthern } from '@levamen/core/house';
import {
  maxTariffs,
  newTariff,
  readTariffFile,
  sampleTariffs,
  type Tariff,
  tariffFile,
} from '@levamen/core/tariff';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../../data/evaluation';
import { JobSession } from '../../../data/job-session';
import { type Choice, ChoiceField } from '../../../ui/choice-field';
import { downloadBlob, fileStem } from '../../../ui/download';
import { tariffChoices } from '../../../ui/tariff-choices';
import { TariffEditor } from './tariff-editor';
import { pickedFile } from '../../../ui/picked-file';

const currencyOf: Readonly<Record<string, string>> = {
  CA: 'CAD',
  US: 'USD',
  GB: 'GBP',
  AU: 'AUD',
  NZ: 'NZD',
  CH: 'CHF',
};

/** The tariffs of the house: which meter has which, each as its sheet says it, from samples and files. */
@Component({
  selector: 'lv-tariffs-card',
  imports: [Button, ChoiceField, TariffEditor],
  templateUrl: './tariffs-card.html',
  styleUrls: ['../cards.css', './tariffs-card.css', '../../../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffsCard {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  readonly plan = input.required<Plan>();

  private readonly chosenId = signal('');
  protected readonly said = signal<readonly string[]>([]);
  protected readonly tariffs = computed(() => this.plan().tariffs);
  protected readonly chosen = computed(
    () => this.tariffs().find(({ id }) => id === this.chosenId()) ?? this.tariffs()[0] ?? null,
  );
  protected readonly isFull = computed(() => this.tariffs().length >= maxTariffs);
  protected readonly meters = computed(() =>
    this.plan().survey.services.map(({ id, name, meter, tariffId }) => ({
      id,
      tariffId,
      label: meter === '' ? name : `${name}: ${meter}`,
    })),
  );
  protected readonly choices = computed(() => tariffChoices(this.tariffs()));
  protected readonly samples = computed((): Choice<string>[] =>
    this.sampleList().map(({ id, name }) => ({ value: id, label: name })),
  );
  private readonly currency = computed(
    () =>
      this.tariffs()[0]?.currency ??
      this.evaluations.book()?.currency ??
      currencyOf[this.country()] ??
      (this.plan().site.units === 'imperial' ? 'USD' : 'EUR'),
  );
  private readonly country = computed(() => this.plan().parties.country.trim().toUpperCase());
  private readonly sampleList = computed(() =>
    sampleTariffs(
      this.currency(),
      /^[A-Z]{2}$/.test(this.country()) ? this.country() : '',
      isSouthern(this.plan().site),
    ),
  );

  protected choose(id: string): void {
    this.chosenId.set(id);
  }

  protected addEmpty(): void {
    this.put([newTariff(crypto.randomUUID(), this.freeName('Tariff'), this.currency())], 'new tariff');
  }

  protected addSample(id: string | null): void {
    const sample = this.sampleList().find((one) => one.id === id);
    if (sample)
      this.put(
        [{ ...sample, id: crypto.randomUUID(), name: this.freeName(sample.name) }],
        `tariff ${sample.name}`,
      );
  }

  protected duplicate(tariff: Tariff): void {
    this.put([{ ...tariff, id: crypto.randomUUID(), name: this.freeName(tariff.name) }], 'tariff duplicated');
  }

  protected change(id: string, change: Partial<Tariff>): void {
    this.session.edit('tariff', (plan) => ({
      ...plan,
      tariffs: plan.tariffs.map((tariff) => (tariff.id === id ? { ...tariff, ...change } : tariff)),
    }));
  }

  protected remove({ id, name }: Tariff): void {
    this.session.edit(`tariff ${name} removed`, (plan) => ({
      ...plan,
      tariffs: plan.tariffs.filter((tariff) => tariff.id !== id),
    }));
  }

  protected assign(serviceId: string, tariffId: string | null): void {
    this.session.edit('tariff of a meter', (plan) => ({
      ...plan,
      survey: {
        ...plan.survey,
        services: plan.survey.services.map((service) =>
          service.id === serviceId ? { ...service, tariffId } : service,
        ),
      },
    }));
  }

  protected save(): void {
    const name = fileStem(this.session.job()?.name ?? 'tariffs');
    downloadBlob(
      new Blob([tariffFile(this.tariffs())], { type: 'application/json' }),
      `${name}.levamen-tariffs.json`,
    );
  }

  protected pick(event: Event): void {
    const file = pickedFile(event);
    if (file) void this.read(file);
  }

  private async read(file: File): Promise<void> {
    if (file.size > 2_000_000) {
      this.said.set(['This file is larger than 2 MB: it holds no tariffs.']);
      return;
    }
    const { tariffs, problems } = readTariffFile(await file.text());
    const room = maxTariffs - this.tariffs().length;
    const taken = tariffs.slice(0, room).map((tariff) => ({ ...tariff, id: crypto.randomUUID() }));
    const left = tariffs.length - taken.length;
    this.said.set([
      ...(taken.length > 0 ? [`${taken.map(({ name }) => name).join(', ')}: read.`] : []),
      ...(left > 0 ? [`${left} more do not fit: a job holds at most ${maxTariffs} tariffs.`] : []),
      ...problems,
    ]);
    if (taken.length > 0) this.put(taken, `tariffs from ${file.name}`);
  }

  /** A house with one meter that has no tariff yet gets the first one. */
  private put(fresh: readonly Tariff[], label: string): void {
    const [first] = fresh;
    this.session.edit(label, (plan) => {
      const { services } = plan.survey;
      const takes = services.length === 1 && services[0]!.tariffId === null;
      return {
        ...plan,
        tariffs: [...plan.tariffs, ...fresh],
        survey: takes
          ? { ...plan.survey, services: services.map((service) => ({ ...service, tariffId: first!.id })) }
          : plan.survey,
      };
    });
    this.chosenId.set(first!.id);
  }

  private freeName(name: string): string {
    const taken = new Set(this.tariffs().map((tariff) => tariff.name));
    for (let number = 1; ; number += 1) {
      const candidate = number === 1 ? name : `${name.slice(0, 70)} (${number})`;
      if (!taken.has(candidate)) return candidate;
    }
  }
}
