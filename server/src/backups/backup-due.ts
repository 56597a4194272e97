/** After one that failed it is tried again, ms. */
const againMs = 3_600_000;

/**
 * Whether a backup is to be made now: the last good one is from before the last moment at which one was to be made; one that was missed,
 * while the machine slept, is caught up.
 *
 * @param now on the clock of the machine
 * @param at hour and minute of the day
 * @param lastGood null = there is none
 * @param lastTry null = there was none
 */
export function backupDue(
  now: Date,
  { hour, minute }: { readonly hour: number; readonly minute: number },
  lastGood: Date | null,
  lastTry: Date | null,
): boolean {
  const planned = new Date(now);
  planned.setHours(hour, minute, 0, 0);
  if (planned > now) planned.setDate(planned.getDate() - 1);
  // A clock that was set back says nothing of when it was made, or tried.
  if (lastGood !== null && lastGood >= planned && lastGood <= now) return false;
  const since = lastTry === null ? Infinity : now.getTime() - lastTry.getTime();
  return since < 0 || since >= againMs;
}
