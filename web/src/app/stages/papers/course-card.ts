import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  type Course,
  type CourseState,
  courseStateNames,
  courseStates,
  courseStep,
  type CourseStep,
  courseStepSchema,
  type ReviewComment,
  reviewCommentSchema,
  sayOfState,
  stateOfCourse,
} from '@levamen/core/house';
import { JobSession } from '../../data/job-session';
import { EntryList } from '../../ui/entry-list';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { formsOf } from '../../ui/forms-of';

/** States that somebody stands for by name. */
const signed: readonly CourseState[] = ['approved', 'inspected', 'commissioned'];

/** The course of the job from the enquiry to the permission to operate, and what reviewers ask on the way. */
@Component({
  selector: 'lv-course-card',
  imports: [EntryList, FormField],
  template: `
    <section class="sheet" aria-labelledby="course-heading">
      <h3 id="course-heading">Course of the job</h3>
      <p class="small" data-course>{{ stands() }}</p>
      <ol>
        @for (row of states(); track row.state) {
          <li [class.reached]="row.isReached">
            <details>
              <summary>
                <i [class]="row.isReached ? 'pi pi-check-circle' : 'pi pi-circle'" aria-hidden="true"></i>
                {{ row.name }} <span class="soft small">{{ row.when }}</span>
              </summary>
              <div class="fields">
                <lv-form-field [of]="row.form" name="on" />
                @if (row.isSigned) {
                  <lv-form-field [of]="row.form" name="by" />
                }
                <lv-form-field [of]="row.form" name="note" />
              </div>
            </details>
          </li>
        }
      </ol>
      <h3>What reviewers ask</h3>
      <lv-entry-list
        addLabel="Comment of a reviewer"
        [rows]="comments()"
        [names]="commentNames"
        (added)="addComment()"
        (removed)="removeComment($event)"
      />
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.5rem;
      padding: 0.8rem 0.95rem;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    summary {
      cursor: pointer;
      min-height: 1.6rem;
    }
    .reached summary {
      font-weight: 600;
    }
    .fields {
      display: grid;
      gap: 0.4rem;
      padding: 0.3rem 0 0.6rem 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CourseCard {
  private readonly session = inject(JobSession);
  private readonly course = computed(
    (): Course => this.session.plan()?.course ?? { steps: [], comments: [] },
  );
  protected readonly commentNames = ['from', 'on', 'text', 'answer', 'answeredOn'] as const;

  protected readonly stands = computed(() => {
    const state = stateOfCourse(this.course());
    const open = this.course().comments.filter(({ answeredOn }) => answeredOn === null).length;
    const asks =
      open === 0
        ? ''
        : open === 1
          ? ' One comment waits for an answer.'
          : ` ${open} comments wait for an answer.`;
    return `${state === null ? 'No state is dated yet.' : `It stands at: ${courseStates[state]}.`}${asks}`;
  });

  private readonly forms = courseStateNames.map((state) => ({
    state,
    form: formOf<CourseStep>(
      courseStepSchema.shape,
      computed(() => courseStep(this.course(), state)),
      (change, label) =>
        this.change(`${courseStates[state]}: ${label}`, (now) => sayOfState(now, state, change)),
    ),
  }));
  protected readonly states = computed(() =>
    this.forms.map(({ state, form }) => {
      const { on, by } = courseStep(this.course(), state);
      return {
        state,
        form,
        name: courseStates[state],
        isSigned: signed.includes(state),
        isReached: on !== null,
        when: [on ?? '', by].filter((text) => text !== '').join(', '),
      };
    }),
  );

  private readonly commentForms = formsOf<ReviewComment>(
    reviewCommentSchema.shape,
    computed(() => this.course().comments),
    (edit, label) => this.change(`comment: ${label}`, (now) => ({ ...now, comments: edit(now.comments) })),
  );
  protected readonly comments = computed(() =>
    this.commentForms().map(({ id, value, form }) => {
      const { from, text, answeredOn } = value();
      return {
        id,
        form,
        label: `${from === '' ? 'Somebody' : from}: ${text.slice(0, 60)}${answeredOn === null ? ' (open)' : ''}`,
      };
    }),
  );

  protected addComment(): void {
    this.change('comment of a reviewer', (now) => ({
      ...now,
      comments: [...now.comments, blankComment(crypto.randomUUID())],
    }));
  }

  protected removeComment(id: string): void {
    this.change('comment removed', (now) => ({
      ...now,
      comments: now.comments.filter((one) => one.id !== id),
    }));
  }

  private change(label: string, change: (course: Course) => Course): void {
    this.session.edit(label, (plan) => ({ ...plan, course: change(plan.course) }));
  }
}

const blankComment = (id: string): ReviewComment => ({
  id,
  from: '',
  on: null,
  text: 'What is asked',
  answer: '',
  answeredOn: null,
});
