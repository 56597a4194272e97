import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { designSubjects } from '@levamen/core/checks';
import { emptyPlan } from '@levamen/core/design';
import { codeSchema, packIdFor, packNames, type Rule } from '@levamen/core/rules';
import {
  packFor,
  readRulesFile,
  ruleOf,
  type RuleSheet,
  ruleSheets,
  rulesFile,
  withRules,
} from '@levamen/core/rules/packs';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import {
  asyncScheduler,
  auditTime,
  catchError,
  combineLatest,
  from,
  map,
  of,
  startWith,
  switchMap,
} from 'rxjs';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { PlacementStudies } from '../data/placement-studies';
import { WiringStudies } from '../data/wiring-studies';
import { downloadBlob, fileStem } from '../ui/download';
import { formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { InWordsOf } from '../ui/in-words-of';
import { PLACE_LOCALE } from '../ui/place-locale';
import { SeverityMark } from '../ui/severity-mark';
import { VerdictMark } from '../ui/verdict-mark';
import { CompanyRulesBar } from './company-rules-bar';
import { RuleCard } from './rule-card';
import { type Shown, shownRules, verdictText } from './shown-rules';
import { pickedFile } from '../ui/picked-file';

const settleMs = 200;
const largestFile = 2_000_000;

/** The rules a house is judged by: what each asks, where it comes from, and what it says here; with those of company and utility. */
@Component({
  selector: 'lv-rules-page',
  imports: [
    Button,
    CompanyRulesBar,
    FormField,
    FormsModule,
    InputText,
    InWordsOf,
    RuleCard,
    SelectButton,
    SeverityMark,
    VerdictMark,
  ],
  templateUrl: './rules-page.html',
  styleUrls: ['./rules-page.css', '../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesPage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly wiring = inject(WiringStudies);
  private readonly placements = inject(PlacementStudies);
  protected readonly locale = inject(PLACE_LOCALE);

  private readonly plan = computed(() => this.session.plan() ?? emptyPlan());
  /** Subjects of survey and backup, then those of wiring and placement, a moment after every edit. */
  private readonly subjects = toSignal(
    combineLatest([
      toObservable(computed(() => ({ plan: this.plan(), evaluation: this.evaluations.evaluation() }))).pipe(
        auditTime(settleMs, asyncScheduler),
        map(({ plan, evaluation }) => (evaluation ? designSubjects(plan, evaluation) : [])),
      ),
      toObservable(this.wiring.answer).pipe(
        switchMap((answer) =>
          answer ? from(this.wiring.remote().subjects()).pipe(catchError(() => of([]))) : of([]),
        ),
      ),
      toObservable(this.placements.answer).pipe(
        switchMap((answer) =>
          answer ? from(this.placements.subjects()).pipe(catchError(() => of([]))) : of([]),
        ),
        startWith([]),
      ),
    ]).pipe(map(([survey, wiring, placement]) => [...survey, ...wiring, ...placement])),
    { initialValue: [] },
  );
  protected readonly pack = computed(() => packFor(this.plan()));
  protected readonly ownRules = computed(() => this.plan().code.rules);
  /** With those of company and utility that hold elsewhere only: they judge nothing here. */
  private readonly sheets = computed(() => {
    const pack = this.pack();
    const elsewhere = this.ownRules().filter((rule) => !pack.rules.includes(rule));
    return [...ruleSheets(pack, this.subjects()), ...ruleSheets({ ...pack, rules: elsewhere }, [])];
  });

  protected readonly filter = signal<Shown>('here');
  protected readonly filters = [
    { value: 'here', label: 'That apply here' },
    { value: 'failing', label: 'Failing or open' },
    { value: 'own', label: 'Of company and utility' },
    { value: 'all', label: 'All' },
  ];
  protected readonly search = signal('');
  protected readonly chosenId = signal('');
  protected readonly said = signal<readonly string[]>([]);
  protected readonly ownIds = computed(() => new Set(this.ownRules().map(({ id }) => id)));
  protected readonly shown = computed(() =>
    shownRules(this.sheets(), this.filter(), this.search(), this.ownIds()),
  );
  protected readonly chosen = computed(
    (): RuleSheet | null => this.sheets().find(({ rule }) => rule.id === this.chosenId()) ?? null,
  );
  protected readonly isChosenOwn = computed(() => this.ownIds().has(this.chosenId()));
  protected readonly ofChosenKind = computed(() => {
    const kind = this.chosen()?.rule.on;
    return this.subjects().filter((subject) => subject.kind === kind);
  });
  protected readonly summary = computed(() => {
    const count = (verdict: RuleSheet['verdict']): number =>
      this.sheets().filter((sheet) => sheet.verdict === verdict).length;
    return `${this.sheets().length} rules: ${count('fails')} fail here, ${count('unknown')} not yet known, ${count('holds')} hold, ${count(null)} apply to nothing here.`;
  });
  protected readonly form = formOf(
    { packId: codeSchema.shape.packId },
    computed(() => ({ packId: this.plan().code.packId })),
    (change, label) => this.session.edit(label, (plan) => ({ ...plan, code: { ...plan.code, ...change } })),
    {
      defaults: computed(() => {
        const plan = this.plan();
        return {
          packId: {
            value: packIdFor({ ...plan, code: { ...plan.code, packId: null } }),
            why: 'by country, edition and supply',
          },
        };
      }),
    },
  );
  protected readonly verdictText = verdictText;
  protected readonly names = packNames;

  protected add(): void {
    this.put(
      [
        ruleOf({
          id: this.freeId('own.rule'),
          on: 'panel',
          name: 'A rule of the company',
          origin: 'company',
          holds: 'spaces >= 12',
          severity: 'consider',
          says: ['{name} has {spaces} spaces only', '{rule}.', ''],
        }),
      ],
      'new rule',
    );
  }

  protected copy(rule: Rule): void {
    this.put([{ ...rule, id: this.freeId(`own.${rule.id}`), origin: 'company' }], 'rule copied');
  }

  /** Rules of the company, in place of those of the same id. */
  protected take(rules: readonly Rule[]): void {
    this.session.edit('rules of the company taken', (plan) => ({
      ...plan,
      code: { ...plan.code, rules: withRules(plan.code.rules, rules) },
    }));
    this.filter.set('own');
  }

  protected change(rule: Rule, change: Partial<Rule>, label: string): void {
    const id = change.id ?? rule.id;
    if (id !== rule.id && this.sheets().some((sheet) => sheet.rule.id === id)) {
      this.said.set([`There is a rule “${id}” already: choose another id.`]);
      return;
    }
    this.said.set([]);
    this.session.edit(label, (plan) => ({
      ...plan,
      code: {
        ...plan.code,
        rules: plan.code.rules.map((one) => (one.id === rule.id ? { ...one, ...change } : one)),
      },
    }));
    this.chosenId.set(id);
  }

  protected remove({ id, name }: Rule): void {
    this.session.edit(`rule “${name}” removed`, (plan) => ({
      ...plan,
      code: { ...plan.code, rules: plan.code.rules.filter((one) => one.id !== id) },
    }));
    this.chosenId.set('');
  }

  protected save(): void {
    const name = fileStem(this.session.job()?.name ?? 'rules');
    downloadBlob(
      new Blob([rulesFile(this.plan().code.rules)], { type: 'application/json' }),
      `${name}.levamen-rules.json`,
    );
  }

  protected pick(event: Event): void {
    const file = pickedFile(event);
    if (file) void this.read(file);
  }

  private async read(file: File): Promise<void> {
    if (file.size > largestFile) {
      this.said.set(['This file is larger than 2 MB: it holds no rules.']);
      return;
    }
    const { things, problems } = readRulesFile(await file.text());
    const fresh: Rule[] = [];
    for (const rule of things)
      fresh.push({
        ...rule,
        id: this.freeId(
          rule.id,
          fresh.map(({ id }) => id),
        ),
      });
    if (fresh.length > 0) this.put(fresh, 'rules read');
    this.said.set([...problems, ...(fresh.length > 0 ? [`${fresh.length} rules were taken.`] : [])]);
  }

  private put(rules: readonly Rule[], label: string): void {
    this.session.edit(label, (plan) => ({
      ...plan,
      code: { ...plan.code, rules: [...plan.code.rules, ...rules] },
    }));
    this.filter.set('own');
    this.chosenId.set(rules.at(-1)!.id);
  }

  private freeId(wanted: string, others: readonly string[] = []): string {
    const taken = new Set([...this.sheets().map(({ rule }) => rule.id), ...others]);
    const stem = wanted.slice(0, 50);
    let id = stem;
    for (let n = 2; taken.has(id); n += 1) id = `${stem}-${n}`;
    return id;
  }
}
