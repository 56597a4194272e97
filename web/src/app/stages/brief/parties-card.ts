import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { emptyPlan } from '@levamen/core/design';
import { type Parties, partiesSchema } from '@levamen/core/house';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** Whose house it is, who feeds it, and whose rules hold there. */
@Component({
  selector: 'lv-parties-card',
  imports: [FormField],
  template: `
    <section class="sheet" aria-labelledby="parties-heading">
      <h2 id="parties-heading">Who</h2>
      <p class="soft small">
        Stands on the papers. Meter numbers and tariffs are with each service in Panels.
      </p>
      <div class="pair">
        <lv-form-field [of]="form" name="client" />
        <lv-form-field [of]="form" name="contact" />
        <lv-form-field class="wide" [of]="form" name="address" />
        <lv-form-field [of]="form" name="utility" />
        <lv-form-field [of]="form" name="utilityAccount" />
        <lv-form-field [of]="form" name="country" />
        <lv-form-field [of]="form" name="region" />
        <lv-form-field [of]="form" name="authority" />
        <lv-form-field [of]="form" name="codeEdition" />
      </div>
    </section>
  `,
  styleUrl: './brief-stage.css',
  styles: `
    :host {
      padding: 0;
      break-inside: avoid;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartiesCard {
  private readonly session = inject(JobSession);
  protected readonly form = formOf<Parties>(
    partiesSchema.shape,
    computed(() => (this.session.plan() ?? emptyPlan()).parties),
    (change, label) =>
      this.session.edit(label, (plan) => ({ ...plan, parties: { ...plan.parties, ...change } })),
  );
}
