import { HttpRequest, HttpResponse, type HttpEvent, type HttpHandlerFn } from '@angular/common/http';
import { Injector, runInInjectionContext } from '@angular/core';
import { whoHeaders } from '@levamen/core/api';
import { firstValueFrom, of } from 'rxjs';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Identity, sayWho } from './identity';

beforeEach(() => localStorage.clear());

/** The headers a request goes out with. */
async function sent(url: string, identity: Identity): Promise<HttpRequest<unknown>> {
  let request: HttpRequest<unknown> | null = null;
  const next: HttpHandlerFn = (one) => {
    request = one;
    return of<HttpEvent<unknown>>(new HttpResponse());
  };
  const injector = Injector.create({ providers: [{ provide: Identity, useValue: identity }] });
  await firstValueFrom(runInInjectionContext(injector, () => sayWho(new HttpRequest('GET', url), next)));
  return request!;
}

describe('who works on this device', () => {
  it('is guessed until somebody says, and remembered then', () => {
    const first = new Identity();
    expect(first.who().actor).toBe('');
    expect(first.who().device).toMatch(/^(computer|tablet|phone)/);
    first.set({ actor: 'Zoë' });
    expect(new Identity().who()).toEqual({ actor: 'Zoë', device: first.who().device });
  });

  it('is guessed anew where what is kept cannot be read, and lasts as long as the page where nothing is kept', () => {
    localStorage.setItem('levamen.who', '{"actor":7}');
    expect(new Identity().who().actor).toBe('');
    localStorage.setItem('levamen.who', 'no json');
    expect(new Identity().who().actor).toBe('');
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    const identity = new Identity();
    identity.set({ actor: 'Max' });
    expect(identity.who().actor).toBe('Max');
    full.mockRestore();
  });

  it('goes out with every request to the server, in ASCII, and with no other', async () => {
    const identity = new Identity();
    identity.set({ actor: 'Zoë Müller', device: 'van tablet' });
    const { headers } = await sent('/api/jobs', identity);
    expect(headers.get(whoHeaders.actor)).toBe('Zo%C3%AB%20M%C3%BCller');
    expect(headers.get(whoHeaders.device)).toBe('van%20tablet');
    expect((await sent('/assets/x.svg', identity)).headers.keys()).toEqual([]);
  });
});
