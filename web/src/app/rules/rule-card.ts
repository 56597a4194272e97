import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type Rule, ruleSchema } from '@levamen/core/rules';
import {
  factShown,
  judgementWords,
  missingFacts,
  namedText,
  type RuleSheet,
  type Subject,
  subjectKinds,
} from '@levamen/core/rules/packs';
import { Button } from 'primeng/button';
import { formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { InWordsOf } from '../ui/in-words-of';
import { PLACE_LOCALE } from '../ui/place-locale';
import { severityWords } from '../ui/severity-words';
import { SeverityMark } from '../ui/severity-mark';
import { VerdictMark } from '../ui/verdict-mark';
import { verdictText } from './shown-rules';

/** Subjects shown before the rest is counted. */
const shownAtMost = 40;
const saysSchema = ruleSchema.shape.says;

/** One rule: what it computes with, what it says, and what it says of each thing here. Own rules are written here, and tried as they are typed. */
@Component({
  selector: 'lv-rule-card',
  imports: [Button, FormField, InWordsOf, SeverityMark, VerdictMark],
  templateUrl: './rule-card.html',
  styleUrl: './rule-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleCard {
  readonly sheet = input.required<RuleSheet>();
  /** It is one of the job’s own. */
  readonly own = input.required<boolean>();
  /** Everything here that it could be about. */
  readonly subjects = input.required<readonly Subject[]>();
  readonly copied = output();
  readonly changed = output<{ readonly change: Partial<Rule>; readonly label: string }>();
  readonly removed = output();
  protected readonly locale = inject(PLACE_LOCALE);

  protected readonly rule = computed(() => this.sheet().rule);
  protected readonly kind = computed(() => subjectKinds[this.rule().on].label);
  protected readonly verdict = computed(() => verdictText(this.sheet()));
  protected readonly severity = computed(() => severityWords[this.rule().severity].word);
  /** What it says, with the facts it names called by their labels. */
  protected readonly words = computed(() => {
    const { says, on } = this.rule();
    return { title: namedText(says.title, on), cure: namedText(says.cure, on) };
  });
  protected readonly judged = computed(() =>
    this.sheet()
      .judged.slice(0, shownAtMost)
      .map((judgement) => ({
        verdict: judgement.verdict,
        name: judgement.subject.name,
        says: judgementWords(judgement),
        missing: missingFacts(judgement).join(', '),
      })),
  );
  /** Of what is wrong with it, whether that keeps it from judging. */
  protected readonly problems = computed(() =>
    this.sheet().problems.map(({ field, message }) => ({
      message,
      effect: field === 'when' || field === 'holds' ? 'Until then this rule judges nothing.' : '',
    })),
  );
  protected readonly more = computed(() => Math.max(0, this.sheet().judged.length - shownAtMost));
  /** Facts of the first thing that is judged, else of any: what an expression can name. */
  protected readonly facts = computed(() => {
    const { on } = this.rule();
    const subject = this.sheet().judged[0]?.subject ?? this.subjects()[0];
    return {
      of: subject?.name ?? '',
      rows: Object.entries(subjectKinds[on].facts).map(([name, { label, is }]) => ({
        name,
        label,
        is,
        value: subject ? factShown(on, name, subject.facts) : '',
      })),
    };
  });

  protected readonly form = formOf<Rule>(ruleSchema.shape, this.rule, (change, label) =>
    this.changed.emit({ change, label }),
  );
  protected readonly says = formOf(
    saysSchema.shape,
    computed(() => this.rule().says),
    (change, label) => this.changed.emit({ change: { says: { ...this.rule().says, ...change } }, label }),
  );
}
