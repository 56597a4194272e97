/**
 * The order of a merged list.
 *
 * What was there keeps the order of whichever side moved it; what was added follows what it was put behind. Where both put
 * something in one place the smaller identity goes first, so that it does not matter who merges.
 *
 * @param base identities in the list both started from
 * @param mine identities in mine
 * @param theirs identities in theirs
 * @param kept identities the merged list holds
 */
export function mergeOrder(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  kept: ReadonlySet<string>,
): string[] {
  const known = new Set(base);
  const everywhere = (id: string): boolean => known.has(id) && mine.includes(id) && theirs.includes(id);
  const moved = mine.filter(everywhere).join('\n') !== base.filter(everywhere).join('\n');
  const leading = moved ? mine : theirs;
  const stays = (id: string): boolean => kept.has(id) && known.has(id);
  const order = leading.filter(stays);
  // What the other side alone still has: an entry that one side removed and the question kept.
  const backbone = insertBehind(order, moved ? theirs : mine, stays);
  const groups = new Map<string, string[][]>();
  for (const side of [mine, theirs]) {
    let anchor = '';
    let group: string[] | null = null;
    for (const id of side) {
      if (stays(id)) {
        anchor = id;
        group = null;
      } else if (kept.has(id)) {
        if (!group) {
          group = [];
          groups.set(anchor, [...(groups.get(anchor) ?? []), group]);
        }
        group.push(id);
      }
    }
  }
  const behind = (anchor: string): string[] =>
    (groups.get(anchor) ?? []).toSorted((a, b) => (a[0]! < b[0]! ? -1 : 1)).flat();
  return [...new Set([...behind(''), ...backbone.flatMap((id) => [id, ...behind(id)])])];
}

/** Entries of `side` that `order` lacks, each behind the one it follows there. */
function insertBehind(
  order: readonly string[],
  side: readonly string[],
  belongs: (id: string) => boolean,
): string[] {
  const result = [...order];
  let before = '';
  for (const id of side) {
    if (belongs(id) && !result.includes(id))
      result.splice(before === '' ? 0 : result.indexOf(before) + 1, 0, id);
    if (result.includes(id)) before = id;
  }
  return result;
}
