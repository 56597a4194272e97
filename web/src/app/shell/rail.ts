import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { JobSession } from '../data/job-session';
import { STAGES } from './stage';

/** The stages of the work, like the legend of a switchboard: number, name, and how far each is filled in. */
@Component({
  selector: 'lv-rail',
  imports: [RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Stages">
      <ol>
        @for (stage of listed(); track stage.path) {
          <li>
            <a [routerLink]="stage.path" routerLinkActive="here" ariaCurrentWhenActive="page">
              <span class="number figure" aria-hidden="true">{{ $index + 1 }}</span>
              <span class="name">{{ stage.name }}</span>
              <span class="done figure" [title]="stage.tip">{{ stage.mark }}</span>
              <span class="visually-hidden">{{ stage.tip }}</span>
            </a>
          </li>
        }
      </ol>
      <a routerLink="open-points" routerLinkActive="here" ariaCurrentWhenActive="page" class="more">
        <span class="number" aria-hidden="true">?</span>
        <span class="name">Open points</span>
      </a>
      <a routerLink="rules" routerLinkActive="here" ariaCurrentWhenActive="page" class="more">
        <span class="number" aria-hidden="true">§</span>
        <span class="name">Rules</span>
      </a>
      <a routerLink="photos" routerLinkActive="here" ariaCurrentWhenActive="page" class="more">
        <span class="number" aria-hidden="true"><i class="pi pi-camera"></i></span>
        <span class="name">Photos</span>
        <span class="done figure">{{ photos() }}</span>
      </a>
    </nav>
  `,
  styleUrl: './rail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rail {
  private readonly session = inject(JobSession);
  private readonly stages = inject(STAGES);
  protected readonly photos = computed(() => this.session.plan()?.photos.length || '–');
  protected readonly listed = computed(() => {
    const plan = this.session.plan();
    return this.stages.map(({ path, name, completeness }) => {
      const { done, of } = plan ? completeness(plan) : { done: 0, of: 0 };
      return {
        path,
        name,
        mark: of === 0 ? '–' : `${done}/${of}`,
        tip:
          of === 0
            ? 'nothing entered yet'
            : `${done} of ${of} known for certain, the rest assumed or typical`,
      };
    });
  });
}
