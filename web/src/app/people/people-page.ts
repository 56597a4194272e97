import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  type InvitationLink,
  invitationRequestSchema,
  type Member,
  type Role,
  roleNames,
  roles,
  roleWords,
} from '@levamen/core/api';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { catchError, type Observable, of, startWith, Subject, switchMap, tap } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { downloadJson, fileStem } from '../ui/download';
import { PlaceHeader } from '../ui/place-header';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { FoundCompany } from './found-company';
import { type GivenLink, GivenLinkText } from './given-link';
import { OwnAccount } from './own-account';
import { PeopleApi } from './people-api';
import { RetentionCard } from './retention-card';
import { SentForm } from './sent-form';
import { SignedIn } from './session';

/** Who is a member of the company and as what, who is invited; and one's own account. */
@Component({
  selector: 'lv-people-page',
  imports: [
    Button,
    Checkbox,
    DatePipe,
    EntryField,
    FormsModule,
    FoundCompany,
    GivenLinkText,
    OwnAccount,
    PlaceHeader,
    RetentionCard,
    Select,
    SentForm,
  ],
  templateUrl: './people-page.html',
  styleUrl: './people-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PeoplePage {
  private readonly api = inject(PeopleApi);
  protected readonly signed = inject(SignedIn);
  private readonly again = new Subject<void>();

  protected readonly sending = new FormSending();
  protected readonly email = signal('');
  protected readonly role = signal<Role>('designer');
  protected readonly problem = signal('');
  /** A link that was made just now: it is shown this once. */
  protected readonly link = signal<GivenLink | null>(null);
  /** Whom to remove, until that is said once more; null = nobody. */
  protected readonly leaving = signal<Member | null>(null);
  protected readonly mayChange = computed(() => this.signed.may('owner'));
  protected readonly roleChoices = roles.map((role) => ({
    value: role,
    label: roleNames[role],
    words: roleWords[role],
  }));
  protected readonly people = toSignal(
    this.again.pipe(
      startWith(undefined),
      switchMap(() =>
        this.signed.may('designer')
          ? this.api.people().pipe(
              catchError((error: unknown) => {
                this.problem.set(problemText(error));
                return of(null);
              }),
            )
          : of(null),
      ),
    ),
  );
  protected readonly roleNames = roleNames;

  protected async invite(): Promise<void> {
    const [email, role] = [this.email(), this.role()];
    const sent = await this.sending.send(invitationRequestSchema, { email, role }, (asked) =>
      this.api.invite(asked.email, asked.role).pipe(tap((link) => this.show(link, asked.email))),
    );
    if (!sent) return;
    this.email.set('');
    this.again.next();
  }

  protected setRole({ accountId }: Member, role: Role): void {
    this.run(this.api.setRole(accountId, role));
  }

  protected remove({ accountId }: Member): void {
    this.leaving.set(null);
    this.run(this.api.remove(accountId));
  }

  protected erase({ accountId }: Member): void {
    this.leaving.set(null);
    this.run(this.api.erase(accountId));
  }

  protected giveOut({ accountId, name }: Member): void {
    this.run(
      this.api.dataOf(accountId).pipe(tap((data) => downloadJson(data, `${fileStem(name)}-data.json`))),
    );
  }

  protected withdraw(id: string): void {
    this.run(this.api.withdraw(id));
  }

  protected askForFactor(asked: boolean): void {
    this.run(this.api.askForFactor(asked).pipe(switchMap(() => this.signed.load())));
  }

  protected reset({ accountId, email }: Member): void {
    this.run(this.api.reset(accountId).pipe(tap((link) => this.show(link, email))));
  }

  protected show(link: InvitationLink, email: string): void {
    this.link.set({ link, email });
    this.again.next();
  }

  private run(change: Observable<unknown>): void {
    this.problem.set('');
    change.subscribe({
      next: () => this.again.next(),
      error: (error: unknown) => {
        this.problem.set(problemText(error));
        this.again.next();
      },
    });
  }
}
