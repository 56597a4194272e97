import { randomUUID } from 'node:crypto';
import { formatHeader, type LiveEvent, liveEventSchema, olderPage, whoHeaders } from '@levamen/core/api';
import { jobVersion, newJob } from '@levamen/core/job';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { listening } from '../testing/listening.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let line: Awaited<ReturnType<typeof listening>>;
let address: string;
const stopping = new AbortController();
let jobId: string;

beforeAll(async () => {
  test = await openTestApp(false, { stopping: stopping.signal });
  line = await listening(test.app);
  address = line.url;
  const made = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: newJob('House') }),
  });
  jobId = ((await made.json()) as { id: string }).id;
});
afterAll(async () => {
  await line.close();
  await test.database.close();
});

/** One window that shows the job. */
class Window {
  readonly id = randomUUID();
  readonly events: LiveEvent[] = [];
  readonly away = new AbortController();
  ended = false;

  async open(actor: string, at = address): Promise<this> {
    const query = new URLSearchParams({ window: this.id, actor, device: 'tablet' });
    const response = await fetch(`${at}/api/jobs/${jobId}/live?${query.toString()}`, {
      signal: this.away.signal,
    });
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    void this.listen(response.body!);
    return this;
  }

  private async listen(body: ReadableStream<Uint8Array>): Promise<void> {
    const decoder = new TextDecoder();
    const reader = body.getReader();
    let text = '';
    try {
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        text += decoder.decode(part.value, { stream: true });
        const parts = text.split('\n\n');
        text = parts.pop()!;
        for (const one of parts)
          if (one.startsWith('data: ')) this.events.push(liveEventSchema.parse(JSON.parse(one.slice(6))));
      }
    } catch {
      // It was closed.
    }
    this.ended = true;
  }

  names(): readonly string[] {
    const last = this.events.findLast((event) => event.kind === 'present');
    return last?.kind === 'present' ? last.people.map(({ actor }) => actor) : [];
  }
}

const soon = (look: () => void) => expect.poll(() => (look(), true), { timeout: 5000 }).toBe(true);

describe('a job that several people have open', () => {
  it('tells each who else is there, what was saved by whom, and who has left', async () => {
    const ada = await new Window().open('Ada');
    await soon(() => expect(ada.names()).toEqual(['Ada']));
    const ben = await new Window().open('Ben');
    await soon(() => expect(ada.names()).toEqual(['Ada', 'Ben']));
    await soon(() => expect(ben.names()).toEqual(['Ada', 'Ben']));
    await fetch(`${address}/api/jobs/${jobId}`, {
      method: 'PUT',
      headers: {
        'content-type': 'application/json',
        [whoHeaders.actor]: 'Ben',
        [whoHeaders.device]: 'tablet',
      },
      body: JSON.stringify({ baseRevision: 1, saveId: randomUUID(), document: newJob('Longhouse') }),
    });
    await soon(() =>
      expect(ada.events.at(-1)).toEqual({ kind: 'saved', revision: 2, actor: 'Ben', device: 'tablet' }),
    );
    ben.away.abort();
    await soon(() => expect(ada.names()).toEqual(['Ada']));
    ada.away.abort();
  });

  it('is one room on all servers; who was with one that has died is gone', async () => {
    const other = await test.another();
    const otherLine = await listening(other.app);
    const ada = await new Window().open('Ada');
    const ben = await new Window().open('Ben', otherLine.url);
    await soon(() => expect(ada.names()).toEqual(['Ada', 'Ben']));
    await soon(() => expect(ben.names()).toEqual(['Ada', 'Ben']));
    const { body } = await other.agent.get(`/api/jobs/${jobId}`);
    const { revision } = body as { revision: number };
    await other.agent
      .put(`/api/jobs/${jobId}`)
      .set(whoHeaders.actor, 'Ben')
      .send({ baseRevision: revision, saveId: randomUUID(), document: newJob('Elsewhere') })
      .expect(200);
    const saved = { kind: 'saved', revision: revision + 1, actor: 'Ben', device: '' };
    await soon(() => expect(ada.events.at(-1)).toEqual(saved));
    await soon(() => expect(ben.events.at(-1)).toEqual(saved));
    await other.events.close();
    const cay = await new Window().open('Cay');
    await soon(() => expect(cay.names()).toEqual(['Ada', 'Cay']));
    for (const window of [ada, ben, cay]) window.away.abort();
    await otherLine.close();
    await other.close();
  });

  it('answers who is nobody and where no job is', async () => {
    expect((await fetch(`${address}/api/jobs/${jobId}/live`)).status).toBe(400);
    const other = `${address}/api/jobs/${randomUUID()}/live?window=${randomUUID()}`;
    expect((await fetch(other)).status).toBe(404);
  });

  it('lets everybody go when the server stops', async () => {
    const ada = await new Window().open('Ada');
    await soon(() => expect(ada.names()).toEqual(['Ada']));
    stopping.abort();
    await soon(() => expect(ada.ended).toBe(true));
  });
});

describe('a page that was opened before the program changed', () => {
  it('reads, and changes nothing', async () => {
    const headers = { 'content-type': 'application/json', [formatHeader]: String(jobVersion - 1) };
    expect((await fetch(`${address}/api/jobs/${jobId}`, { headers })).status).toBe(200);
    const refused = await fetch(`${address}/api/jobs/${jobId}`, {
      method: 'PUT',
      headers,
      body: JSON.stringify({ baseRevision: 2, saveId: randomUUID(), document: newJob('Old') }),
    });
    expect(refused.status).toBe(422);
    expect(await refused.json()).toMatchObject({ title: olderPage });
  });
});
