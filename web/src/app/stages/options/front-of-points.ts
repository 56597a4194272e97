import type { Objective, OptionPoint } from './search-state';

/** Hours of a point: of several years where they are played, else of one. */
export const hoursOf = ({ outlook, hoursH }: OptionPoint): number => outlook?.nineteenOfTwentyH ?? hoursH;

/** What a point does in an objective; what is not known yet is nothing. */
export function valueOf(point: OptionPoint, objective: Objective): number {
  switch (objective) {
    case 'hours':
      return hoursOf(point);
    case 'chance':
      return point.outlook?.requiredShare ?? point.chance;
    case 'comfort':
      return point.comfort ?? 0;
  }
}

/** Of points, cheapest first, those that do better than all that cost no more. */
export function frontOfPoints(points: readonly OptionPoint[], objective: Objective): OptionPoint[] {
  const front: OptionPoint[] = [];
  for (const point of points) {
    const last = front.at(-1);
    if (last && valueOf(point, objective) <= valueOf(last, objective)) continue;
    if (last?.candidate.cost === point.candidate.cost) front.pop();
    front.push(point);
  }
  return front;
}
