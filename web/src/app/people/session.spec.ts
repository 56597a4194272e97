import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { type Session, staleToken, tokenHeader } from '@levamen/core/api';
import { firstValueFrom } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { SignedIn, sayToken } from './session';

const ada = '00000000-0000-4000-8000-00000000000a';
const ben = '00000000-0000-4000-8000-00000000000b';
const workspace = { id: '00000000-0000-4000-8000-0000000000c0', name: 'Hill', role: 'designer' as const };
const sessionOf = (accountId: string, token: string): Session => ({
  state: 'signed-in',
  accountId,
  name: 'Somebody',
  email: 'somebody@example.org',
  workspace,
  workspaces: [workspace],
  automatic: false,
  secondFactor: false,
  mustAddFactor: false,
  token,
});
const problem = (title: string, status: number) => ({ type: 'about:blank', title, status, detail: title });

let http: HttpTestingController;
let signed: SignedIn;

beforeEach(async () => {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: 'sign-in', children: [] }]),
      provideHttpClient(withInterceptors([sayToken])),
      provideHttpClientTesting(),
    ],
  });
  http = TestBed.inject(HttpTestingController);
  signed = TestBed.inject(SignedIn);
  const loading = signed.load();
  http.expectOne('/api/session').flush(sessionOf(ada, 'first'));
  await loading;
});
afterEach(() => http.verify());

const save = (): Promise<unknown> => firstValueFrom(TestBed.inject(HttpClient).put('/api/jobs/1', {}));
const soon = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve));

describe('the token of a session', () => {
  it('goes with every request to the server', async () => {
    const saving = save();
    const { request } = http.expectOne('/api/jobs/1');
    expect(request.headers.get(tokenHeader)).toBe('first');
    http.match(() => true);
    void saving.catch(() => undefined);
  });

  it('is asked for anew where another window has signed in, and the request is sent again, once', async () => {
    const saving = save();
    const stale = { status: 403, statusText: 'Forbidden' };
    http.expectOne('/api/jobs/1').flush(problem(staleToken, 403), stale);
    http.expectOne('/api/session').flush(sessionOf(ada, 'second'));
    await soon();
    const again = http.expectOne('/api/jobs/1');
    expect(again.request.headers.get(tokenHeader)).toBe('second');
    again.flush({ revision: 2 });
    expect(await saving).toEqual({ revision: 2 });
  });

  it('of nobody leads to signing in; what was entered stays that person’s', async () => {
    const saving = save();
    http.expectOne('/api/jobs/1').flush(problem('Not signed in', 401), { status: 401, statusText: 'No' });
    await expect(saving).rejects.toMatchObject({ status: 401 });
    expect(signed.session()).toEqual({ state: 'signed-out', mail: false });
    expect(signed.account()).toBe(ada);
  });

  it('of another person sends nothing of the one before him', async () => {
    const saving = save();
    http.expectOne('/api/jobs/1').flush(problem(staleToken, 403), { status: 403, statusText: 'Forbidden' });
    http.expectOne('/api/session').flush(sessionOf(ben, 'his'));
    await expect(saving).rejects.toMatchObject({ status: 403 });
    expect(signed.account()).toBe(ada);
  });
});
