import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  assignedSchema,
  type FactorOffer,
  factorOfferSchema,
  recoveryCodesSchema,
  type InvitationLink,
  invitationLinkSchema,
  type Invited,
  invitedSchema,
  type People,
  peopleSchema,
  type PersonalData,
  personalDataSchema,
  type Retention,
  type Role,
  type SessionEntry,
  sessionListSchema,
} from '@levamen/core/api';
import { map, type Observable } from 'rxjs';

/** What the server is asked about people and their sessions. */
@Injectable({ providedIn: 'root' })
export class PeopleApi {
  private readonly http = inject(HttpClient);

  signIn(asked: object): Observable<unknown> {
    return this.http.post('/api/session', asked);
  }

  setUp(asked: object): Observable<unknown> {
    return this.http.post('/api/session/setup', asked);
  }

  invited(link: string): Observable<Invited> {
    return this.http
      .get(`/api/session/join/${encodeURIComponent(link)}`)
      .pipe(map((body) => invitedSchema.parse(body)));
  }

  join(link: string, asked: object): Observable<unknown> {
    return this.http.post(`/api/session/join/${encodeURIComponent(link)}`, asked);
  }

  /** Asks for a letter that sets a forgotten password anew. */
  forgotten(asked: object): Observable<unknown> {
    return this.http.post('/api/session/forgotten', asked);
  }

  /** Works for another company one is a member of, from now on. */
  workFor(id: string): Observable<unknown> {
    return this.http.put('/api/session/workspace', { id });
  }

  /** Everything that is kept of a member; of oneself where none is named. */
  dataOf(accountId: string | null): Observable<PersonalData> {
    return this.http
      .get(accountId === null ? '/api/session/data' : `/api/people/${accountId}/data`)
      .pipe(map((body) => personalDataSchema.parse(body)));
  }

  /** Takes a member out of everything; what he did stays, without his name. */
  erase(accountId: string): Observable<unknown> {
    return this.http.post(`/api/people/${accountId}/erasure`, {});
  }

  keepFor(retention: Retention): Observable<unknown> {
    return this.http.put('/api/people/retention', retention);
  }

  found(asked: object): Observable<InvitationLink> {
    return this.http
      .post('/api/people/companies', asked)
      .pipe(map((body) => invitationLinkSchema.parse(body)));
  }

  people(): Observable<People> {
    return this.http.get('/api/people').pipe(map((body) => peopleSchema.parse(body)));
  }

  invite(email: string, role: Role): Observable<InvitationLink> {
    return this.http
      .post('/api/people/invitations', { email, role })
      .pipe(map((body) => invitationLinkSchema.parse(body)));
  }

  withdraw(id: string): Observable<unknown> {
    return this.http.delete(`/api/people/invitations/${id}`);
  }

  reset(accountId: string): Observable<InvitationLink> {
    return this.http
      .post(`/api/people/${accountId}/reset`, {})
      .pipe(map((body) => invitationLinkSchema.parse(body)));
  }

  setRole(accountId: string, role: Role): Observable<unknown> {
    return this.http.put(`/api/people/${accountId}`, { role });
  }

  remove(accountId: string): Observable<unknown> {
    return this.http.delete(`/api/people/${accountId}`);
  }

  /** Members a job is given to. */
  given(jobId: string): Observable<{ accountIds: readonly string[] }> {
    return this.http.get(`/api/jobs/${jobId}/people`).pipe(map((body) => assignedSchema.parse(body)));
  }

  give(jobId: string, accountIds: readonly string[]): Observable<unknown> {
    return this.http.put(`/api/jobs/${jobId}/people`, { accountIds });
  }

  sessions(): Observable<SessionEntry[]> {
    return this.http.get('/api/session/list').pipe(map((body) => sessionListSchema.parse(body)));
  }

  endOthers(): Observable<unknown> {
    return this.http.delete('/api/session/others');
  }

  offerFactor(): Observable<FactorOffer> {
    return this.http
      .post('/api/session/second-factor', {})
      .pipe(map((body) => factorOfferSchema.parse(body)));
  }

  /** @returns recovery codes */
  addFactor(code: string): Observable<readonly string[]> {
    return this.http
      .put('/api/session/second-factor', { code })
      .pipe(map((body) => recoveryCodesSchema.parse(body).codes));
  }

  removeFactor(password: string): Observable<unknown> {
    return this.http.delete('/api/session/second-factor', { body: { password } });
  }

  /** Asks members for a second factor, or not. */
  askForFactor(secondFactor: boolean): Observable<unknown> {
    return this.http.put('/api/people/policy', { secondFactor });
  }

  changePassword(asked: { readonly before: string; readonly password: string }): Observable<unknown> {
    return this.http.put('/api/session/password', asked);
  }
}
