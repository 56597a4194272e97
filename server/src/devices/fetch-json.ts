import type { SystemAddress } from '@levamen/core/house';

/** How long a system may take to answer, and how much it may say. */
interface Bounds {
  readonly patienceMs: number;
  readonly mostBytes: number;
}

/**
 * What a system says over HTTP, as JSON. Where it would send us on to is not gone to: nobody has allowed that.
 *
 * @throws Error where it has no such port, does not answer, says too much, or no JSON
 */
export async function fetchJson(
  { host, httpPort }: SystemAddress,
  path: string,
  { patienceMs, mostBytes }: Bounds,
): Promise<unknown> {
  if (httpPort === null) throw new Error('It is not asked over HTTP: enter its port');
  const url = `http://${host.includes(':') ? `[${host}]` : host}:${httpPort}${path}`;
  const response = await fetch(url, { redirect: 'error', signal: AbortSignal.timeout(patienceMs) });
  if (!response.ok || !response.body) throw new Error(`It answers ${response.status}`);
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = response.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > mostBytes) {
      await reader.cancel();
      throw new Error('It says more than can be taken');
    }
    parts.push(value);
  }
  return JSON.parse(Buffer.concat(parts).toString('utf8'));
}
