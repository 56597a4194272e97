import { tmpdir } from 'node:os';
import express from 'express';
import supertest from 'supertest';
import { expect, it, vi } from 'vitest';
import { diskRoom } from './disk-room.js';
import { errorHandler } from './error-handler.js';

const asking = (...parts: Parameters<typeof diskRoom>) => {
  const app = express();
  app.use(diskRoom(...parts));
  app.all('/', (_request, response) => void response.json('done'));
  app.use(errorHandler);
  return supertest(app);
};
const MB = 1024 * 1024;

it('lets everything be read, and refuses in words what would be written, while there is hardly room', async () => {
  const agent = asking('/of/the/database', () => Promise.resolve(31 * MB));
  await agent.get('/').expect(200, '"done"');
  for (const way of ['post', 'put', 'delete', 'patch'] as const) {
    const { body } = await agent[way]('/').expect(507);
    expect(body).toMatchObject({
      title: 'Disk full',
      detail: expect.stringContaining('free some room') as string,
    });
  }
});

it('looks again once a second, and goes on where there is room', async () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const left = vi.fn(() => Promise.resolve(0));
  const agent = asking('/of/the/database', left);
  await agent.post('/').expect(507);
  left.mockResolvedValue(40 * MB);
  await agent.post('/').expect(507);
  expect(left).toHaveBeenCalledTimes(1);
  vi.advanceTimersByTime(1001);
  await agent.post('/').expect(200);
  vi.useRealTimers();
});

it('asks nothing where the database is kept elsewhere, and nothing it cannot know', async () => {
  const left = vi.fn(() => Promise.resolve(0));
  await asking(null, left).post('/').expect(200);
  expect(left).not.toHaveBeenCalled();
  await asking('/is/not/there').post('/').expect(200);
  await asking(tmpdir()).post('/').expect(200);
});
