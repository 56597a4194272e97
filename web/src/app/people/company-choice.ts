import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { firstValueFrom } from 'rxjs';
import { PeopleApi } from './people-api';
import { SignedIn } from './session';

/** For which company somebody works who is a member of several. */
@Component({
  selector: 'lv-company-choice',
  imports: [FormsModule, Select],
  template: `
    <p-select
      size="small"
      optionLabel="name"
      optionValue="id"
      ariaLabel="Company you work for"
      [options]="companies()"
      [ngModel]="signed.who()?.workspace?.id"
      (ngModelChange)="choose($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompanyChoice {
  private readonly api = inject(PeopleApi);
  protected readonly signed = inject(SignedIn);
  protected readonly companies = computed(() => [...(this.signed.who()?.workspaces ?? [])]);

  protected async choose(id: string): Promise<void> {
    await firstValueFrom(this.api.workFor(id));
    // Everything on the page was the other company's.
    location.assign('/jobs');
  }
}
