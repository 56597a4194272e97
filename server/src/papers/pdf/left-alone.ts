import type { Node, NodeQueries } from 'pdfmake/interfaces.js';

/** A heading does not stand alone at the foot of a page: below this share of its height it begins the next one. */
const lowestHeading = 0.86;

/** What has something to show beside words; what stands at head and foot of a page has not. */
const shows = ({ table, svg, image, canvas, ul, ol }: Node): boolean =>
  [table, svg, image, canvas, ul, ol].some((part) => part !== undefined);
const isLow = ({ startPosition }: Node): boolean => startPosition.verticalRatio > lowestHeading;

/**
 * Does a heading stand at the foot of a page with at most words below it, while what they announce begins the next page? Then it belongs there, too.
 *
 * @param node anything on a page; false for what is no heading
 * @param around the nodes of its page and of the next one
 */
export function isLeftAlone(node: Node, around: NodeQueries): boolean {
  const { headlineLevel } = node;
  if (headlineLevel === undefined) return false;
  if (isLow(node)) return true;
  const isUnderIt = (other: Node): boolean =>
    other.headlineLevel !== undefined && other.headlineLevel > headlineLevel;
  const endsTheSearch = (other: Node): boolean =>
    shows(other) || (other.headlineLevel !== undefined && (!isUnderIt(other) || isLow(other)));
  const below = around.getFollowingNodesOnPage().find(endsTheSearch);
  // A heading under this one that goes to the next page takes it along.
  if (below) return isUnderIt(below);
  const next = around.getNodesOnNextPage().find((other) => shows(other) || other.headlineLevel !== undefined);
  return next !== undefined && (next.headlineLevel === undefined || isUnderIt(next));
}
