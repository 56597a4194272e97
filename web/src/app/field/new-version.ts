import {
  HttpErrorResponse,
  type HttpEvent,
  type HttpInterceptorFn,
  HttpResponse,
} from '@angular/common/http';
import { inject, Injectable, Injector, signal } from '@angular/core';
import { SwUpdate } from '@angular/service-worker';
import { buildHeader, formatHeader } from '@levamen/core/api';
import { jobVersion } from '@levamen/core/job';
import { tap } from 'rxjs';
import { keptHeader } from './road-answers';

/** The build this page is of: the name of its first script. */
const ownBuild = (): string =>
  document.querySelector<HTMLScriptElement>('script[src*="main-"]')?.src.split('/').at(-1) ?? '';

/** Learns from the server's answers that the program has changed since the page was opened, and takes the new one over. */
@Injectable({ providedIn: 'root' })
export class NewVersion {
  private readonly update = inject(SwUpdate, { optional: true });
  private readonly injector = inject(Injector);
  private readonly own = ownBuild();

  readonly isThere = signal(false);
  readonly isTaking = signal(false);

  /** @param build which the server has; null or '' = it does not say */
  hearOf(build: string | null): void {
    if (build && this.own !== '') this.isThere.set(build !== this.own);
  }

  /** Opens the page anew with the new program. What was entered is on the server, or on this device. */
  async take(): Promise<void> {
    this.isTaking.set(true);
    const { Savers } = await import('../data/savers');
    await this.injector.get(Savers).settled();
    if (this.update?.isEnabled) await this.update.checkForUpdate().catch(() => false);
    window.location.reload();
  }
}

/** Every request says which version of a job this page writes; every answer which program the server has. */
export const sayVersion: HttpInterceptorFn = (request, next) => {
  if (!request.url.startsWith('/api/')) return next(request);
  const version = inject(NewVersion);
  const look = (answer: unknown): void => {
    if (!(answer instanceof HttpResponse || answer instanceof HttpErrorResponse)) return;
    if (!answer.headers.has(keptHeader)) version.hearOf(answer.headers.get(buildHeader));
  };
  return next(request.clone({ setHeaders: { [formatHeader]: String(jobVersion) } })).pipe(
    tap({ next: (event: HttpEvent<unknown>) => look(event), error: look }),
  );
};
