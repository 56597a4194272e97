import type { OpenPoint, Plan } from '../../design/index.js';
import type { FoundPoint } from './found-point.js';
import { byImportance, type Movement } from './open-points.js';

/** An open point with what was said about it. */
export interface ListedPoint extends Pick<OpenPoint, 'who' | 'dueOn' | 'done'> {
  readonly key: string;
  readonly text: string;
  readonly find: string;
  /** Typed by somebody, by its id; null = found by Levamen. */
  readonly ownId: string | null;
  readonly movement: Movement | null;
}

const ofFound = (
  { key, text, find }: FoundPoint,
  saved: readonly OpenPoint[],
  movement: Movement | null,
): ListedPoint => {
  const said = saved.find(({ about }) => about === key);
  return {
    key,
    text,
    find,
    ownId: null,
    movement,
    who: said?.who ?? '',
    dueOn: said?.dueOn ?? null,
    done: said?.done ?? false,
  };
};

const ofOwn = ({ id, text, who, dueOn, done }: OpenPoint): ListedPoint => ({
  key: `own.${id}`,
  text,
  find: '',
  ownId: id,
  movement: null,
  who,
  dueOn,
  done,
});

/**
 * All open points in the order of what they matter; settled ones last.
 *
 * @param found by Levamen
 * @param saved what somebody typed, or said about those
 * @param movements by key of the point, as far as they are worked out
 */
export function listPoints(
  found: readonly FoundPoint[],
  saved: readonly OpenPoint[],
  movements: ReadonlyMap<string, Movement | null>,
): ListedPoint[] {
  const points = [
    ...saved.filter(({ about }) => about === '').map(ofOwn),
    ...found.map((point) => ofFound(point, saved, movements.get(point.key) ?? null)),
  ];
  return points.toSorted((a, b) => Number(a.done) - Number(b.done) || byImportance(a.movement, b.movement));
}

/** A plan with something said about a point: who finds it out, by when, that it is settled. */
export function sayOfPoint<P extends Pick<Plan, 'openPoints'>>(
  plan: P,
  { key, text, ownId }: ListedPoint,
  change: Partial<Pick<OpenPoint, 'text' | 'who' | 'dueOn' | 'done'>>,
  newId: string,
): P {
  const isIt = (one: OpenPoint): boolean => (ownId === null ? one.about === key : one.id === ownId);
  const known = plan.openPoints.find(isIt);
  const said: OpenPoint = {
    ...(known ?? { id: newId, about: key, text: text.slice(0, 300), who: '', dueOn: null, done: false }),
    ...change,
  };
  return {
    ...plan,
    openPoints: known
      ? plan.openPoints.map((one) => (one === known ? said : one))
      : [...plan.openPoints, said],
  };
}

/** How a point matters, in words. */
export function movementText(movement: Movement | null): string {
  if (movement === null) return '';
  const { label, decides } = movement;
  const [from, to] = [movement.from, movement.to].map((ratio) => `${Math.round(ratio * 100)} %`);
  if (from === to && !decides) return 'moves no margin by as much as 1 %';
  const moves = `${label} takes ${from} of its limit, and might take ${to}`;
  return decides ? `decides: ${moves}` : moves;
}
