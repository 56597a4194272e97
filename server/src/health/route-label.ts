import type { Request } from 'express';

/** Parts of an address that differ from thing to thing, with the name they go by in measurements. */
const things: readonly (readonly [RegExp, string])[] = [
  [/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i, ':id'],
  [/^[0-9a-f]{64}$/, ':digest'],
  [/^\d+$/, ':number'],
  // Links that stand for a password must not show anywhere.
  [/^[\w-]{20,}$/, ':link'],
];

/** What a request is counted under: its route, without what names a single thing. Whatever has no route is counted together. */
export function routeLabel({ baseUrl, route, path }: Pick<Request, 'baseUrl' | 'route' | 'path'>): string {
  if (!route) return baseUrl.startsWith('/api') ? 'unknown' : 'page';
  return `${baseUrl}${path}`
    .split('/')
    .map((part) => things.find(([like]) => like.test(part))?.[1] ?? part)
    .join('/')
    .replace(/\/$/, '');
}
