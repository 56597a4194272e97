import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { backupStateSchema } from '@levamen/core/api';
import * as fc from 'fast-check';
import pg from 'pg';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { BackupLog } from './backup-log.js';
import { backupDue } from './backup-due.js';
import { readBackupSettings } from './backup-settings.js';
import { backupWarning } from './backup-warning.js';
import { keptBackups } from './kept-backups.js';
import { backupMadeAt, makeBackup, type RunProgram } from './make-backup.js';

const dayMs = 86_400_000;
const hourMs = 3_600_000;
const day = (text: string): Date => new Date(`${text}T02:30:00Z`);
const daily = (from: string, count: number) =>
  Array.from({ length: count }, (_, index) => {
    const at = new Date(day(from).getTime() + index * dayMs);
    return { name: at.toISOString().slice(0, 10), at };
  });

describe('backups that stay', () => {
  // Grandfather, father, son, counted out by hand on a calendar.
  it('are those of the last days, weeks and months', () => {
    const files = daily('2026-09-01', 89);
    expect(files.at(-1)!.name).toBe('2026-11-28');
    const kept = keptBackups(files, { days: 3, weeks: 3, months: 3 });
    expect([...kept].toSorted()).toEqual([
      '2026-09-30',
      '2026-10-31',
      '2026-11-15',
      '2026-11-22',
      '2026-11-26',
      '2026-11-27',
      '2026-11-28',
    ]);
  });

  it('are never none, whatever was asked for; and no older one more than was asked for', () => {
    const files = fc.array(fc.integer({ min: 0, max: 4000 }), { minLength: 1, maxLength: 60 }).map((hours) =>
      hours.map((hour, index) => ({
        name: `${index}`,
        at: new Date(Date.UTC(2026, 0, 1) + hour * hourMs),
      })),
    );
    const count = fc.integer({ min: 0, max: 9 });
    fc.assert(
      fc.property(files, count, count, count, (all, days, weeks, months) => {
        const kept = keptBackups(all, { days, weeks, months });
        const newest = Math.max(...all.map(({ at }) => at.getTime()));
        expect(all.some(({ name, at }) => kept.has(name) && at.getTime() === newest)).toBe(true);
        expect(kept.size).toBeLessThanOrEqual(Math.max(1, days + weeks + months));
        // What was kept is kept again when nothing new has come.
        const again = keptBackups(
          all.filter(({ name }) => kept.has(name)),
          { days, weeks, months },
        );
        expect([...again].toSorted()).toEqual([...kept].toSorted());
      }),
    );
  });
});

describe('a backup', () => {
  const at = { hour: 2, minute: 30 };
  const local = (text: string): Date => new Date(`${text}:00`);
  it.each([
    ['there is none', '2026-11-28T01:00', null, null, true],
    ['today’s was made', '2026-11-28T12:00', '2026-11-28T02:31', null, false],
    ['yesterday’s was made, and it is not time yet', '2026-11-28T02:00', '2026-11-27T02:31', null, false],
    ['it is time', '2026-11-28T02:30', '2026-11-27T02:31', null, true],
    ['the machine slept for days', '2026-11-28T19:00', '2026-11-20T02:31', null, true],
    ['one has just failed', '2026-11-28T03:00', '2026-11-27T02:31', '2026-11-28T02:31', false],
    ['one failed an hour ago', '2026-11-28T03:31', '2026-11-27T02:31', '2026-11-28T02:31', true],
    ['the clock was set back', '2026-11-28T03:00', '2026-11-27T02:31', '2026-12-28T02:31', true],
    [
      'the clock was set back after a good one',
      '2026-11-28T03:00',
      '2027-11-28T02:31',
      '2027-11-28T02:31',
      true,
    ],
    ['one was made since', '2026-11-28T03:02', '2026-11-28T03:01', '2026-11-28T03:01', false],
  ] as const)('is due or not: %s', (_what, now, good, tried, due) => {
    expect(backupDue(local(now), at, good && local(good), tried && local(tried))).toBe(due);
  });

  it('that is old, failed, or stayed here is told', () => {
    const now = day('2026-11-28');
    const ago = (hours: number): Date => new Date(now.getTime() - hours * hourMs);
    const fine = { isGood: true, says: 'a.tar', isSent: null };
    const failed = { isGood: false, says: 'no room', isSent: null };
    expect(backupWarning(now, ago(20), fine, ago(900))).toBe('');
    expect(backupWarning(now, null, null, ago(20))).toBe('');
    expect(backupWarning(now, null, null, ago(60))).toBe('There is no good backup of these jobs.');
    expect(backupWarning(now, ago(24 * 5), failed, ago(900))).toBe(
      'The last good backup is 5 days old. The last one that was tried failed: no room',
    );
    expect(backupWarning(now, ago(20), failed, ago(900))).toContain('A backup failed.');
    expect(backupWarning(now, ago(20), { ...fine, isSent: false }, ago(900))).toContain(
      'stayed on this machine',
    );
  });
});

describe('a backup in its folder', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(path.join(tmpdir(), 'levamen-kept-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  const now = new Date('2026-11-28T02:30:05.123Z');
  const keep = { days: 1, weeks: 0, months: 0 };
  const asked: string[][] = [];
  const writes: RunProgram = async (command, args) => {
    asked.push([command, ...args]);
    if (command === 'node') await writeFile(args[2]!, 'everything');
    return { isGood: true, said: '' };
  };
  beforeEach(() => void asked.splice(0));

  it('is made, taken away, and older ones go; what is none of ours stays', async () => {
    for (const name of ['levamen-2026-11-27T023005Z.tar', 'mine.tar', 'levamen-2026.tar'])
      await writeFile(path.join(folder, name), '');
    const outcome = await makeBackup({ folder, keep, send: 'cp -t /far' }, now, writes);
    const file = path.join(folder, 'levamen-2026-11-28T023005Z.tar');
    expect(outcome).toMatchObject({ isGood: true, bytes: 10, isSent: true });
    expect(asked).toEqual([
      ['node', 'scripts/backup.mjs', 'backup', file],
      ['sh', '-c', 'cp -t /far "$1"', 'sh', file],
    ]);
    expect((await readdir(folder)).toSorted()).toEqual([
      'levamen-2026-11-28T023005Z.tar',
      'levamen-2026.tar',
      'mine.tar',
    ]);
    expect(backupMadeAt(path.basename(file))).toEqual(new Date('2026-11-28T02:30:05Z'));
  });

  it('that fails leaves the older ones, and says why', async () => {
    await writeFile(path.join(folder, 'levamen-2026-11-20T023005Z.tar'), '');
    const outcome = await makeBackup({ folder, keep, send: null }, now, () =>
      Promise.resolve({ isGood: false, said: 'No space left on device\n' }),
    );
    expect(outcome).toEqual({ isGood: false, says: 'No space left on device', bytes: null, isSent: null });
    expect(await readdir(folder)).toEqual(['levamen-2026-11-20T023005Z.tar']);
  });

  it('that could not be taken away is good all the same, and that is said', async () => {
    const outcome = await makeBackup({ folder, keep, send: 'scp' }, now, async (command, args) =>
      command === 'sh' ? { isGood: false, said: 'no route to host' } : writes(command, args),
    );
    expect(outcome).toMatchObject({ isGood: true, isSent: false });
    expect(outcome.says).toContain('not taken away: no route to host');
  });

  it('needs a folder', async () => {
    await writeFile(path.join(folder, 'file'), '');
    const outcome = await makeBackup({ folder: path.join(folder, 'file'), keep, send: null }, now, writes);
    expect(outcome.isGood).toBe(false);
    expect(outcome.says).toContain('folder of backups');
  });
});

it('settings that cannot be are refused by their names', () => {
  const right = { LEVAMEN_BACKUPS: '/b', LEVAMEN_MIGRATION_URL: 'postgres://a@b/c' };
  expect(readBackupSettings(right)).toMatchObject({
    at: { hour: 2, minute: 30 },
    keep: { days: 7, weeks: 4, months: 12 },
    send: null,
  });
  expect(() => readBackupSettings({ ...right, LEVAMEN_BACKUP_AT: '25:00' })).toThrow(
    /LEVAMEN_BACKUP_AT: A time of the day/,
  );
  expect(() => readBackupSettings({ ...right, LEVAMEN_BACKUP_KEEP: '0,1,2' })).toThrow(
    /LEVAMEN_BACKUP_KEEP: Days/,
  );
});

describe('what a page is told of backups', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await openTestApp(false, { backups: true });
  });
  afterAll(() => test.database.close());
  const state = async () => backupStateSchema.parse((await test.agent.get('/api/backups').expect(200)).body);

  it('is when the last good one was made, and what came of the last', async () => {
    expect(await state()).toEqual({ isScheduled: true, goodAt: null, last: null, warning: '' });
    const { ownerUrl } = test.database;
    const log = new BackupLog(ownerUrl);
    const noted = await log.alone(async (last, note) => {
      // There is something to be kept since the workspace was made.
      expect(last).toEqual({ good: expect.any(Date), tried: null });
      // Somebody else waits meanwhile.
      expect(await new BackupLog(ownerUrl).alone(() => Promise.resolve('twice'))).toBeNull();
      await note({ isGood: true, says: 'a.tar', bytes: 10, isSent: null });
      return 'once';
    });
    expect(noted).toBe('once');
    expect(await state()).toMatchObject({ last: { isGood: true, says: 'a.tar' }, warning: '' });
    const client = new pg.Client({ connectionString: ownerUrl });
    await client.connect();
    await client.query("UPDATE backup_run SET at = now() - interval '3 days'");
    await client.end();
    await log.alone((_last, note) => note({ isGood: false, says: 'no room', bytes: null, isSent: null }));
    expect(await state()).toMatchObject({
      last: { isGood: false, says: 'no room' },
      warning: 'The last good backup is 3 days old. The last one that was tried failed: no room',
    });
  });
});
