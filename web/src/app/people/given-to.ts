import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Member, roleNames } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { PeopleApi } from './people-api';

/** To whom a job is given: a surveyor sees the jobs that are given to him, and no others. */
@Component({
  selector: 'lv-given-to',
  imports: [Button, Checkbox, Dialog, FormsModule],
  template: `
    <p-button
      icon="pi pi-user-plus"
      [text]="true"
      size="small"
      [ariaLabel]="'Give ' + name() + ' to surveyors'"
      (onClick)="open()"
    />
    <p-dialog
      closeAriaLabel="Close"
      [header]="'Give ' + name() + ' to'"
      [modal]="true"
      [visible]="visible()"
      (visibleChange)="visible.set($event)"
      [style]="{ width: '26rem' }"
    >
      @for (member of surveyors(); track member.accountId) {
        <div class="one">
          <p-checkbox
            [binary]="true"
            [inputId]="'give-' + member.accountId"
            [ngModel]="given().has(member.accountId)"
            (ngModelChange)="tick(member.accountId, $event)"
          />
          <label [for]="'give-' + member.accountId">{{ member.name }}</label>
          <span class="small soft">{{ roleNames[member.role].toLowerCase() }}</span>
        </div>
      } @empty {
        <p class="soft">The company has no surveyors yet: the owner invites them under People.</p>
      }
      @if (problem() !== '') {
        <p class="problem small" role="alert">{{ problem() }}</p>
      }
      <p class="small soft">Designers, viewers and owners see every job.</p>
      @if (surveyors().length > 0) {
        <p-button label="Give" (onClick)="give()" />
      }
    </p-dialog>
  `,
  styles: `
    .one {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GivenTo {
  private readonly api = inject(PeopleApi);
  readonly jobId = input.required<string>();
  readonly name = input.required<string>();

  protected readonly visible = signal(false);
  protected readonly surveyors = signal<readonly Member[]>([]);
  protected readonly given = signal<ReadonlySet<string>>(new Set());
  protected readonly problem = signal('');
  protected readonly roleNames = roleNames;

  protected async open(): Promise<void> {
    await this.trying(async () => {
      const [{ members }, { accountIds }] = await Promise.all([
        firstValueFrom(this.api.people()),
        firstValueFrom(this.api.given(this.jobId())),
      ]);
      this.surveyors.set(members.filter(({ role }) => role === 'surveyor'));
      this.given.set(new Set(accountIds));
    });
    this.visible.set(true);
  }

  protected tick(accountId: string, isGiven: boolean): void {
    const next = new Set(this.given());
    if (isGiven) next.add(accountId);
    else next.delete(accountId);
    this.given.set(next);
  }

  protected async give(): Promise<void> {
    const taken = await this.trying(() => firstValueFrom(this.api.give(this.jobId(), [...this.given()])));
    if (taken) this.visible.set(false);
  }

  private async trying(work: () => Promise<unknown>): Promise<boolean> {
    this.problem.set('');
    try {
      await work();
      return true;
    } catch (error) {
      this.problem.set(problemText(error));
      return false;
    }
  }
}
