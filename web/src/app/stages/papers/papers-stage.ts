import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { paperKinds } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { CourseCard } from './course-card';
import { IssuedList } from './issued-list';
import { IssuedPapers } from './issued-papers';
import { PaperChoices } from './paper-choices';
import { PaperPreview } from './paper-preview';
import { kindWords } from './paper-words';
import { PapersState } from './papers-state';
import { TakeAway } from './take-away';

/** What the job leaves the house as: each paper looked at page by page while it is put together, then issued. */
@Component({
  selector: 'lv-papers-stage',
  imports: [
    Button,
    CourseCard,
    FormsModule,
    IssuedList,
    PaperChoices,
    PaperPreview,
    RouterLink,
    SelectButton,
    TakeAway,
  ],
  providers: [IssuedPapers, PapersState],
  templateUrl: './papers-stage.html',
  styleUrls: ['../work-and-side.css', './papers-stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PapersStage {
  protected readonly state = inject(PapersState);
  protected readonly kinds = paperKinds.map((value) => ({ value, label: kindWords[value].name }));
  protected readonly says = computed(() => kindWords[this.state.kind()].says);
  protected readonly missing = computed(() =>
    this.state.draft().missing.map((one) => ({
      ...one,
      link: one.at.startsWith('/') ? one.at : `../${one.at}`,
    })),
  );
}
