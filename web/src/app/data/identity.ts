import type { HttpInterceptorFn } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { type Who, whoHeaders, whoSchema } from '@levamen/core/api';

const storageKey = 'levamen.who';
const maxLength = 60;

/** What kind of device this is, until somebody names it. */
function guessedDevice(): string {
  const { platform, userAgent } = navigator;
  const kind = /iPad|Android|Tablet/i.test(userAgent)
    ? 'tablet'
    : /Mobile|iPhone/i.test(userAgent)
      ? 'phone'
      : 'computer';
  const system = platform.split(' ')[0] ?? '';
  return system === '' ? kind : `${kind} (${system})`;
}

function remembered(): Who {
  const guess = { actor: '', device: guessedDevice().slice(0, maxLength) };
  try {
    const kept = whoSchema.safeParse(JSON.parse(localStorage.getItem(storageKey) ?? '{}'));
    return kept.success ? kept.data : guess;
  } catch {
    return guess;
  }
}

/** Who works on this device, by a name chosen here: revisions carry it. */
@Injectable({ providedIn: 'root' })
export class Identity {
  readonly who = signal(remembered());

  /** Takes another name for the person or the device; kept on this device where that is possible. */
  set(change: Partial<Who>): void {
    const who = { ...this.who(), ...change };
    this.who.set(who);
    try {
      localStorage.setItem(storageKey, JSON.stringify(who));
    } catch {
      // Then it lasts as long as the page.
    }
  }

  /** As request headers. */
  headers(): Record<string, string> {
    const { actor, device } = this.who();
    return {
      [whoHeaders.actor]: encodeURIComponent(actor),
      [whoHeaders.device]: encodeURIComponent(device),
    };
  }
}

/** Every request to the server says who asks. */
export const sayWho: HttpInterceptorFn = (request, next) =>
  next(request.url.startsWith('/api/') ? request.clone({ setHeaders: inject(Identity).headers() }) : request);
