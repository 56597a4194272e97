import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type CompanySheet, companySheetSchema, licenceSchema, paymentSchema } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { AddedSteps, type StepsEdit } from '../ui/added-steps';
import { formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { formsOf } from '../ui/forms-of';
import { pickedFile } from '../ui/picked-file';
import { PlaceHeader } from '../ui/place-header';
import { CompanySheetState } from './company-sheet-state';
import { scaleLogo } from './scale-logo';

type Licence = CompanySheet['licences'][number];
type Payment = CompanySheet['payments'][number];

/** What the company prints on its papers. */
@Component({
  selector: 'lv-company-page',
  imports: [AddedSteps, Button, FormField, PlaceHeader],
  providers: [CompanySheetState],
  templateUrl: './company-page.html',
  styleUrls: ['./company-page.css', '../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompanyPage {
  protected readonly state = inject(CompanySheetState);
  protected readonly whoNames = [
    'name',
    'address',
    'phone',
    'mail',
    'emergencyPhone',
    'numberScheme',
  ] as const;
  protected readonly termNames = ['validDays', 'notIncluded', 'terms'] as const;
  protected readonly licenceNames = ['kind', 'number', 'holder'] as const;

  protected readonly form = formOf<CompanySheet>(companySheetSchema.shape, this.state.sheet, (change) =>
    this.state.set(change),
  );
  protected readonly logo = computed(() => {
    const { logo } = this.state.sheet();
    return logo === null || !this.state.isSaved() ? '' : `/api/company-sheet/logo/${logo}`;
  });
  private readonly licenceForms = formsOf<Licence>(
    licenceSchema.shape,
    computed(() => this.state.sheet().licences),
    (edit) => this.state.set({ licences: edit(this.state.sheet().licences) }),
  );
  protected readonly licences = computed(() =>
    this.licenceForms().map(({ id, value, form }) => ({ id, form, label: value().kind })),
  );
  private readonly paymentForms = formsOf<Payment>(
    paymentSchema.shape,
    computed(() => this.state.sheet().payments),
    (edit) => this.state.set({ payments: edit(this.state.sheet().payments) }),
  );
  protected readonly payments = computed(() =>
    this.paymentForms().map(({ id, value, form }) => ({ id, form, label: value().when })),
  );

  protected editSteps({ edit }: StepsEdit): void {
    this.state.set({ steps: edit(this.state.sheet().steps) });
  }

  protected addLicence(): void {
    const { licences } = this.state.sheet();
    this.state.set({
      licences: [
        ...licences,
        { id: crypto.randomUUID(), kind: 'Electrical contractor', number: '–', holder: '' },
      ],
    });
  }

  protected removeLicence(id: string): void {
    this.state.set({ licences: this.state.sheet().licences.filter((one) => one.id !== id) });
  }

  /** The new step takes what is left. */
  protected addPayment(): void {
    const { payments } = this.state.sheet();
    const left = Math.max(0, 1 - payments.reduce((sum, { share }) => sum + share, 0));
    const share = Number(left.toFixed(4));
    this.state.set({ payments: [...payments, { id: crypto.randomUUID(), when: 'On acceptance', share }] });
  }

  protected removePayment(id: string): void {
    this.state.set({ payments: this.state.sheet().payments.filter((one) => one.id !== id) });
  }

  protected async pick(event: Event): Promise<void> {
    const file = pickedFile(event);
    if (!file) return;
    try {
      await this.state.setLogo(await scaleLogo(file));
    } catch (error) {
      this.state.problem.set((error as Error).message);
    }
  }
}
