import { newJob } from '@levamen/core/job';
import { describe, expect, it } from 'vitest';
import { deviceRows } from './device-rows';
import { commonAddresses, neverChanges, roadAddresses } from './road-addresses';

const road = { jobId: 'a', name: 'Farm', addresses: [], bytes: 3_400_000, takenAt: 5 };
const edits = { jobId: 'b', name: 'Mill', savedAt: 1, status: 'retrying' as const, message: 'away' };

describe('what a device has', () => {
  it('is said job by job, with what waits of each', () => {
    expect(deviceRows([road], [edits], new Map([['b', 2]]))).toEqual([
      { jobId: 'a', name: 'Farm', taken: { sizeText: '3.4 MB', at: 5 }, waits: '', isStuck: false },
      {
        jobId: 'b',
        name: 'Mill',
        taken: null,
        waits: 'Edits wait for the server; 2 photos wait',
        isStuck: false,
      },
    ]);
  });

  it('says why something does not get through', () => {
    const [row] = deviceRows([], [{ ...edits, status: 'refused', message: 'No such job.' }], new Map());
    expect(row).toMatchObject({ waits: 'Edits were not accepted: No such job.', isStuck: true });
    const [asked] = deviceRows([], [{ ...edits, status: 'conflict' }], new Map());
    expect(asked).toMatchObject({ waits: 'Edits wait for a decision: open the job', isStuck: true });
  });
});

describe('addresses of a job that is taken along', () => {
  it('are those of everything it asks the server for, each once', () => {
    const job = newJob('Farm');
    const set = {
      id: 's',
      name: 'Meter',
      zone: 'UTC',
      startS: 0,
      intervalS: 900,
      count: 4,
      channels: [{}, {}],
    } as unknown as Parameters<typeof roadAddresses>[2][number];
    const photo = { digest: 'd'.repeat(64) } as (typeof job.photos)[number];
    const full = {
      ...job,
      photos: [photo, photo],
      outage: { ...job.outage, weatherId: 'w' },
      equipmentList: { ...job.equipmentList, workspaceId: 'c', revision: 7 },
    };
    expect(roadAddresses('j', full, [set])).toEqual([
      '/api/jobs/j',
      '/api/jobs/j/readings',
      '/api/equipment?revision=7',
      '/api/weather/w',
      `/api/jobs/j/photos/${'d'.repeat(64)}`,
      '/api/jobs/j/system/recordings',
      '/api/jobs/j/readings/s',
      '/api/jobs/j/readings/s/channels/0',
      '/api/jobs/j/readings/s/channels/1',
    ]);
    expect(roadAddresses('j', job, [])).toEqual([
      '/api/jobs/j',
      '/api/jobs/j/readings',
      '/api/jobs/j/system/recordings',
    ]);
  });

  it('that never change are fetched once', () => {
    const all = ['/api/jobs/j/photos/d', '/api/jobs/j/readings/s/channels/0', '/api/equipment?revision=7'];
    expect(all.every(neverChanges)).toBe(true);
    expect(['/api/jobs/j', '/api/jobs/j/readings', ...commonAddresses].some(neverChanges)).toBe(false);
  });
});
