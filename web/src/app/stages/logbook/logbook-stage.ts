import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { AsBuiltPart } from './as-built-part';
import { DocumentsCard } from './documents-card';
import { DueCard } from './due-card';
import { LearnedPart } from './learned-part';
import { LoggedOutages } from './logged-outages';
import { LogbookState } from './logbook-state';
import { LogbookStudy } from './logbook-study';
import { VisitsPart } from './visits-part';

/** The life of a house after it was handed over: what was built, who was there, what happened, and what that teaches. */
@Component({
  selector: 'lv-logbook-stage',
  imports: [
    AsBuiltPart,
    DocumentsCard,
    DueCard,
    FormsModule,
    LearnedPart,
    LoggedOutages,
    SelectButton,
    VisitsPart,
  ],
  providers: [LogbookState, LogbookStudy],
  templateUrl: './logbook-stage.html',
  styleUrl: '../work-and-side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookStage {
  protected readonly parts = [
    { value: 'outages', label: 'Outages' },
    { value: 'learned', label: 'Battery and loads' },
    { value: 'visits', label: 'Visits' },
    { value: 'built', label: 'As built' },
  ] as const;
  protected readonly part = signal<(typeof this.parts)[number]['value']>('outages');
}
