import type { Request, RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** Under which names the program is reached, and through whom. */
export interface Reach {
  /** Names beside those of this machine; small letters, no port. */
  readonly hosts: readonly string[];
  /** Addresses of proxies in front, whose headers are believed. */
  readonly proxies: readonly string[];
}
export const thisMachineOnly: Reach = { hosts: [], proxies: [] };

const loopbackNames: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]', '::1']);
const loopbackAddress = /^(127\.|::1$|::ffff:127\.)/;

/** Did it come from this machine itself, and through no proxy? What the headers claim decides nothing. */
export const isFromHere = ({ socket, headers }: Request): boolean =>
  loopbackAddress.test(socket.remoteAddress ?? '') &&
  headers['x-forwarded-for'] === undefined &&
  headers['x-forwarded-host'] === undefined;

/**
 * Serves only requests that were addressed to a name the program has, and changes nothing for a page of another origin: a name that resolves to this
 * machine must not let a foreign page read the jobs. The names of this machine count for what comes from it only: on a network anybody can claim them.
 */
export function hostGuard({ hosts, proxies }: Reach): RequestHandler {
  const names = new Set(hosts);
  // On this machine only, and without a proxy, whoever asks is on it.
  const isLocal = hosts.length === 0 && proxies.length === 0;
  return (request, _response, next) => {
    const name = request.hostname;
    if (!names.has(name) && !(loopbackNames.has(name) && (isLocal || isFromHere(request))))
      throw new HttpProblem(
        421,
        'Wrong host',
        hosts.length === 0
          ? 'Open Levamen under 127.0.0.1 or localhost.'
          : `Open Levamen under ${hosts.join(' or ')}. Other names are entered in LEVAMEN_HOSTS.`,
      );
    const { origin } = request.headers;
    if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.host))
      throw new HttpProblem(403, 'Foreign origin', 'Requests from other sites are refused.');
    next();
  };
}
