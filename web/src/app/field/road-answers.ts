/** What service worker and page both know of the jobs that are taken along. */

/** Where answers of the server are kept, by address. */
export const roadCache = 'levamen-road';

/** Set on an answer that comes from this device, since the server had none. */
export const keptHeader = 'x-levamen-kept';

/** Answers that say only that the server cannot be reached just now. */
const away = [502, 503, 504];

export interface RoadAnswerParts {
  readonly cache: Pick<Cache, 'match' | 'put' | 'delete'>;
  readonly ask: (request: Request) => Promise<Response>;
  /** A line may be so bad that no answer comes: what is kept is given after so long, ms. */
  readonly patienceMs: number;
}

/**
 * What a request for reading is answered with: the server's answer, or, where it has none or takes too long, what is kept
 * under the same address. What is kept is renewed by every answer.
 *
 * @returns rejects where the server is away and nothing is kept
 */
export async function roadAnswer(
  request: Request,
  { cache, ask, patienceMs }: RoadAnswerParts,
): Promise<Response> {
  const kept = await cache.match(request.url, { ignoreVary: true });
  if (!kept) return ask(request);
  const asked = ask(request).then(async (response) => {
    if (response.ok) await renew(cache, request.url, response.clone());
    // Somebody has removed it, or it is not for him any more.
    if (response.status === 404) await cache.delete(request.url);
    return response;
  });
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(() => resolve(null), patienceMs);
  });
  const answer = await Promise.race([asked.catch(() => null), late]);
  clearTimeout(timer);
  return answer && !away.includes(answer.status) ? answer : asKept(kept);
}

/** An answer that was under way while a newer revision was kept does not take its place. */
async function renew(cache: RoadAnswerParts['cache'], address: string, answer: Response): Promise<void> {
  const before = await cache.match(address, { ignoreVary: true });
  const [newer, older] = await Promise.all([revisionOf(answer), before ? revisionOf(before) : 0]);
  if (newer >= older) await cache.put(address, answer);
}

/** The revision of a saved job; 0 where the answer is none. */
async function revisionOf(answer: Response): Promise<number> {
  if (!answer.headers.get('content-type')?.includes('json')) return 0;
  try {
    const { revision } = (await answer.clone().json()) as { revision?: unknown };
    return typeof revision === 'number' ? revision : 0;
  } catch {
    return 0;
  }
}

function asKept(answer: Response): Response {
  const headers = new Headers(answer.headers);
  headers.set(keptHeader, '1');
  return new Response(answer.body, { status: 200, headers });
}
