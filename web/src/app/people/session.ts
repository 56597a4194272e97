import { HttpClient, HttpErrorResponse, type HttpEvent, type HttpInterceptorFn } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { type CanActivateFn, Router } from '@angular/router';
import { type Role, roles, type Session, sessionSchema, staleToken, tokenHeader } from '@levamen/core/api';
import { catchError, firstValueFrom, from, map, type Observable, switchMap, throwError } from 'rxjs';

/** Who has signed in at this page, and what he may do. */
@Injectable({ providedIn: 'root' })
export class SignedIn {
  private readonly http = inject(HttpClient);
  /** null = nobody has asked the server yet. */
  readonly session = signal<Session | null>(null);
  /** What is known of who has signed in; null = nobody has. */
  readonly who = computed(() => {
    const session = this.session();
    return session?.state === 'signed-in' ? session : null;
  });
  /** The account that signed in last at this page, even where its session has run out: what is entered is its. null = none has to. */
  readonly account = signal<string | null>(null);

  /** Asks the server. Without one the page goes on as whoever it was: what is entered waits on this device. */
  async load(): Promise<Session | null> {
    try {
      const session = await firstValueFrom(
        this.http.get('/api/session').pipe(map((body) => sessionSchema.parse(body))),
      );
      const before = this.account();
      if (session.state === 'signed-in') {
        // Another person at the same page: nothing that the one before him entered goes on under his name.
        if (before !== null && session.accountId !== before) window.location.assign('/jobs');
        else this.account.set(session.accountId);
      }
      this.session.set(session);
    } catch {
      // The server is away.
    }
    return this.session();
  }

  /** Jobs are made, and removed, by designers; without a server nobody can say. */
  readonly mayDesign = computed(() => this.who() === null || this.may('designer'));

  may(least: Role): boolean {
    const who = this.who();
    return who !== null && roles.indexOf(who.workspace.role) >= roles.indexOf(least);
  }

  /** Ends the session at the server. */
  async end(): Promise<void> {
    await firstValueFrom(this.http.delete('/api/session'));
  }

  /** Nobody is at this page any more. */
  forget(): void {
    this.session.set({ state: 'signed-out', mail: false });
    this.account.set(null);
  }
}

/** Lets through who has signed in; else the page of signing in comes first, and leads back. */
export const signedIn: CanActivateFn = async (_route, { url }) => {
  const signed = inject(SignedIn);
  const router = inject(Router);
  const session = signed.who() ? signed.session() : await signed.load();
  // Without a server there is nobody to ask: drafts of this device are shown.
  if (session?.state === 'signed-in' && session.mustAddFactor && url !== '/people')
    return router.createUrlTree(['/people']);
  return session === null || session.state === 'signed-in'
    ? true
    : router.createUrlTree(['/sign-in'], { queryParams: { back: url } });
};

const isStale = (error: unknown): boolean =>
  error instanceof HttpErrorResponse &&
  error.status === 403 &&
  (error.error as { title?: unknown } | null)?.title === staleToken;

/**
 * Requests carry the token of the session. Where another window has signed in anew meanwhile, its token is asked for, once, and the
 * request sent again, as long as it is the same person's; where the server knows nobody any more, signing in comes first.
 */
export const sayToken: HttpInterceptorFn = (request, next) => {
  if (!request.url.startsWith('/api/')) return next(request);
  const signed = inject(SignedIn);
  const router = inject(Router);
  const send = (): Observable<HttpEvent<unknown>> => {
    const token = signed.who()?.token ?? '';
    return next(token === '' ? request : request.clone({ setHeaders: { [tokenHeader]: token } }));
  };
  return send().pipe(
    catchError((error: unknown) => {
      if (!isStale(error)) return throwError(() => error);
      return from(signed.load()).pipe(
        switchMap((session) =>
          session?.state === 'signed-in' && session.accountId === signed.account()
            ? send()
            : throwError(() => error),
        ),
      );
    }),
    catchError((error: unknown) => {
      const isOut = error instanceof HttpErrorResponse && error.status === 401;
      if (isOut && !request.url.startsWith('/api/session')) {
        signed.session.set({ state: 'signed-out', mail: false });
        void router.navigate(['/sign-in'], { queryParams: { back: router.url } });
      }
      return throwError(() => error);
    }),
  );
};
