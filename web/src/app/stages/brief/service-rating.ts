import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type Service, serviceSchema } from '@levamen/core/house';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** The rating of a service that is surveyed: the same that Panels shows. */
@Component({
  selector: 'lv-service-rating',
  imports: [FormField],
  template: `<lv-form-field [of]="form" name="ratingA" [label]="label()" hint="The same as in Panels" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ServiceRating {
  private readonly session = inject(JobSession);
  readonly service = input.required<Service>();
  readonly only = input.required<boolean>();
  protected readonly label = computed(() =>
    this.only() ? 'Service rating' : `Rating of ${this.service().name}`,
  );
  protected readonly form = formOf<Service>(serviceSchema.shape, this.service, (change) =>
    this.session.edit('service rating', (plan) => ({
      ...plan,
      survey: {
        ...plan.survey,
        services: plan.survey.services.map((one) =>
          one.id === this.service().id ? { ...one, ...change } : one,
        ),
      },
    })),
  );
}
