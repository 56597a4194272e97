import { computed, inject, Injectable, signal } from '@angular/core';
import { type Placed, type Plan, put, takeDown } from '@levamen/core/design';
import { type Lot, type Wall } from '@levamen/core/house';
import { changeWall } from '@levamen/core/house/details';
import {
  checkPlacement,
  elevationDrawing,
  type PlacedThing,
  type PlacementFinding,
  snap,
  type Thing,
  thingsOf,
} from '@levamen/core/placement/details';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { PlacementStudies } from '../../data/placement-studies';
import { stackOf } from '../../data/stack-of';

const nothing: readonly Thing[] = [];

/** What the stage looks at, and what its rules say of it, while something is dragged, too. */
@Injectable()
export class PlacementState {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  readonly studies = inject(PlacementStudies);

  readonly units = this.evaluations.units;
  /** Id of the wall that is looked at; '' = the first. */
  readonly wallId = signal('');
  /** Id of the thing that is looked at; '' = none. */
  readonly chosen = signal('');
  /** Where a thing is while it is dragged, and what it snaps to; null = nothing is. */
  readonly dragged = signal<(Placed & { readonly to: string }) | null>(null);

  readonly lot = computed((): Lot | null => this.session.plan()?.lot ?? null);
  readonly wall = computed(
    (): Wall | null =>
      this.lot()?.walls.find(({ id }) => id === this.wallId()) ?? this.lot()?.walls[0] ?? null,
  );
  /** Everything of the design that finds a place. */
  readonly things = computed((): readonly Thing[] => {
    const asked = this.studies.stacks();
    return asked ? thingsOf(asked.plan, stackOf(asked)) : nothing;
  });
  /** The plan as it would be if what is dragged stayed there. */
  readonly plan = computed((): Plan | null => {
    const plan = this.session.plan();
    const dragged = this.dragged();
    if (!plan || !dragged) return plan;
    const { to: _to, ...place } = dragged;
    return { ...plan, placement: put(plan.placement, [place]) };
  });
  readonly climates = computed(() => this.studies.answer()?.climates ?? []);
  readonly checked = computed(() => {
    const plan = this.plan();
    return plan && checkPlacement(plan, this.things(), this.climates());
  });
  readonly findings = computed((): readonly PlacementFinding[] => this.checked()?.findings ?? []);
  readonly placed = computed((): readonly PlacedThing[] => this.checked()?.placed ?? []);
  readonly onWall = computed(() => this.placed().filter(({ wall }) => wall.id === this.wall()?.id));
  readonly unplaced = computed(() => {
    const there = new Set(this.placed().map(({ thing }) => thing.id));
    return this.things().filter(({ id }) => !there.has(id));
  });
  readonly elevation = computed(() => {
    const wall = this.wall();
    return (
      wall &&
      elevationDrawing({
        wall,
        placed: this.onWall(),
        findings: this.findings(),
        units: this.units(),
        chosen: this.chosen(),
      })
    );
  });

  /** Shows what a finding is about, on its wall. */
  show(id: string): void {
    const one = this.placed().find(({ thing }) => thing.id === id);
    if (one) this.wallId.set(one.wall.id);
    this.chosen.set(id);
  }

  changeLot(label: string, change: (lot: Lot) => Lot): void {
    this.session.edit(label, (plan) => ({ ...plan, lot: change(plan.lot) }));
  }

  changeWall(id: string, change: Partial<Wall>, label: string): void {
    this.changeLot(label, (lot) => changeWall(lot, id, change));
  }

  put(places: readonly Placed[], label: string): void {
    this.session.edit(label, (plan) => ({ ...plan, placement: put(plan.placement, places) }));
  }

  takeDown(ids: readonly string[]): void {
    this.session.edit('taken off the wall', (plan) => ({
      ...plan,
      placement: takeDown(plan.placement, ids),
    }));
  }

  /** Puts a thing on the wall that is looked at, right of what hangs there; its bottom where the others are. */
  putHere(thing: Thing): void {
    const wall = this.wall();
    if (!wall) return;
    const there = this.onWall();
    const right = Math.max(0, ...there.map((one) => one.leftM + one.widthM + 0.1));
    const bottomM = thing.mounting === 'floor' ? 0 : Math.min(0.6, Math.max(0, wall.heightM - thing.heightM));
    const leftM = Math.max(0, Math.min(right, wall.lengthM - thing.widthM));
    this.put([{ thingId: thing.id, wallId: wall.id, leftM, bottomM }], `${thing.name} placed`);
    this.chosen.set(thing.id);
  }

  /** Where a thing comes to rest that is dragged so far; within `withinM` it snaps. */
  snapped(id: string, rightM: number, upM: number, withinM: number): (Placed & { to: string }) | null {
    const one = this.session.plan()?.placement.placed.find(({ thingId }) => thingId === id);
    const shown = this.onWall().find(({ thing }) => thing.id === id);
    if (!one || !shown) return null;
    const moved = { ...shown, leftM: one.leftM + rightM, bottomM: one.bottomM + upM };
    const others = this.onWall().filter((other) => other.thing.id !== id);
    const at = snap(moved, others, withinM);
    return { ...one, leftM: rounded(at.leftM), bottomM: rounded(at.bottomM), to: at.to };
  }

  /** Moves a thing by so much. */
  move(id: string, rightM: number, upM: number): void {
    const one = this.session.plan()?.placement.placed.find(({ thingId }) => thingId === id);
    if (!one) return;
    const leftM = within(rounded(one.leftM + rightM), -5, 65);
    const bottomM = within(rounded(one.bottomM + upM), -1, 20);
    this.put([{ ...one, leftM, bottomM }], 'moved on the wall');
  }
}

/** As a tape is read: to the tenth of a millimetre, so that eighths of an inch stay what they are. */
const rounded = (metres: number): number => Math.round(metres * 1e4) / 1e4;
const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
