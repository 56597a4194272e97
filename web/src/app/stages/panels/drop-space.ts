import type { CdkDragEnd } from '@angular/cdk/drag-drop';

/** The space of the ladder that something was let go over, and puts it back where it was; null = over none. */
export function dropSpace({ dropPoint, source }: CdkDragEnd): number | null {
  const target = document
    .elementsFromPoint(dropPoint.x, dropPoint.y)
    .filter((element) => !source.element.nativeElement.contains(element))
    .map((element) => element.closest<HTMLElement>('[data-space]'))
    .find((place) => place !== null);
  source.reset();
  return target ? Number(target.dataset['space']) : null;
}
