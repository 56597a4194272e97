import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { addWall, removeWall } from '@levamen/core/house/details';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { NothingYet } from '../nothing-yet';
import { ClimateView } from './climate-view';
import { ElevationView } from './elevation-view';
import { LotView } from './lot-view';
import { PlacementFindings } from './placement-findings';
import { PlacementState } from './placement-state';
import { PreparationView } from './preparation-view';
import { SearchCard } from './search-card';
import { ThingsCard } from './things-card';
import { WallCard } from './wall-card';

type Main = 'wall' | 'lot' | 'climate' | 'crew';
type Side = 'findings' | 'things' | 'wall' | 'search';

/** Which wall the equipment hangs on, and whether it may, holds, and stays cool and warm enough there. */
@Component({
  selector: 'lv-placement-stage',
  imports: [
    Button,
    ClimateView,
    ElevationView,
    FormsModule,
    LotView,
    NothingYet,
    PlacementFindings,
    PreparationView,
    SearchCard,
    SelectButton,
    ThingsCard,
    WallCard,
  ],
  providers: [PlacementState],
  templateUrl: './placement-stage.html',
  styleUrls: ['../work-and-side.css', './placement-stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlacementStage {
  protected readonly state = inject(PlacementState);

  protected readonly main = signal<Main>('wall');
  protected readonly side = signal<Side>('things');
  protected readonly mains = [
    { value: 'wall', label: 'Elevation' },
    { value: 'lot', label: 'Plan of the lot' },
    { value: 'climate', label: 'Sun and heat' },
    { value: 'crew', label: 'For the crew' },
  ];
  protected readonly sides = [
    { value: 'things', label: 'Things' },
    { value: 'findings', label: 'Findings' },
    { value: 'wall', label: 'Wall' },
    { value: 'search', label: 'Look for a place' },
  ];
  protected readonly walls = computed(() => {
    const findings = this.state.findings();
    const placed = this.state.placed();
    return (this.state.lot()?.walls ?? []).map(({ id, name }) => {
      const there = new Set(placed.filter(({ wall }) => wall.id === id).map(({ thing }) => thing.id));
      const wrong = findings.filter(
        ({ about, severity }) => severity !== 'consider' && there.has(about),
      ).length;
      return { id, name, count: there.size, wrong };
    });
  });
  protected readonly hasWalls = computed(() => this.walls().length > 0);
  protected readonly summary = computed(() => {
    const margin = this.state.checked()?.margin;
    const problem = this.state.studies.state().problem;
    if (problem !== '') return problem;
    return margin
      ? `${margin.placed} of ${margin.of} things placed, ${margin.checked} checks. Recalled from memory: verify against the adopted codes and the data sheets, and leave the work to licensed people.`
      : '';
  });

  protected addWall(): void {
    const id = crypto.randomUUID();
    this.state.changeLot('wall', (lot) => addWall(lot, id));
    this.state.wallId.set(id);
    this.main.set('wall');
    this.side.set('wall');
  }

  protected removeWall(): void {
    const wall = this.state.wall();
    if (wall) this.state.changeLot(`wall ${wall.name} removed`, (lot) => removeWall(lot, wall.id));
  }
}
