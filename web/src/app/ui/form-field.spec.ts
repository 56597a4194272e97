import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { amountSchema, field, fieldFacts, nameSchema } from '@levamen/core/base';
import {
  briefSchema,
  generatorSchema,
  scenarioSchema,
  serviceBackupSchema,
  shedSchema,
  solarArraySchema,
  vehicleSchema,
} from '@levamen/core/design';
import { supplySchema } from '@levamen/core/electric';
import {
  circuitSchema,
  loadSchema,
  panelSchema,
  serviceSchema,
  siteSchema,
  timeZoneSchema,
} from '@levamen/core/house';
import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { formOf } from './form';
import { FormField } from './form-field';

const shape = {
  name: field(nameSchema(10), { label: 'Name' }),
  powerW: field(amountSchema(100, 9000, 'W'), { label: 'Power', unit: 'W', hint: 'On the plate' }),
  depthM: field(amountSchema(1, 90, 'm').nullable(), { label: 'Depth', unit: 'm' }),
  kind: field(z.enum(['deep', 'shallow']).nullable(), {
    label: 'Kind',
    choices: [
      ['deep', 'A deep well'],
      ['shallow', 'A shallow one'],
    ],
  }),
  zone: field(timeZoneSchema.nullable(), { label: 'Zone' }),
  capped: field(z.boolean().nullable(), {
    label: 'Capped',
    choices: [
      [null, 'Nobody looked'],
      [true, 'Capped'],
      [false, 'Open'],
    ],
  }),
};
type Well = z.infer<z.ZodObject<typeof shape>>;

@Component({
  imports: [FormField],
  template: `
    <lv-form-field [of]="form" name="name" />
    <lv-form-field [of]="form" name="powerW" />
    <lv-form-field [of]="form" name="depthM" />
    <lv-form-field [of]="form" name="kind" />
    <lv-form-field [of]="form" name="zone" hint="As the house" />
    <lv-form-field [of]="form" name="capped" label="Is it capped" />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Host {
  readonly well = signal<Well>({
    name: 'Well',
    powerW: 1200,
    depthM: null,
    kind: null,
    zone: 'Europe/Vienna',
    capped: null,
  });
  readonly labels: string[] = [];
  readonly form = formOf<Well>(
    shape,
    this.well,
    (change, label) => {
      this.labels.push(label);
      this.well.update((well) => ({ ...well, ...change }));
    },
    {
      units: signal('imperial'),
      defaults: computed(() => ({
        depthM: { value: 30.48, why: 'as deep as most' },
        kind: { value: 'deep', why: 'usual here' },
      })),
    },
  );
}

async function show() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const root = fixture.nativeElement as HTMLElement;
  const input = (label: string): HTMLInputElement => {
    const of = [...root.querySelectorAll('label')].find(({ textContent }) => textContent.trim() === label)!;
    return root.querySelector(`#${of.htmlFor}`)!;
  };
  const enter = async (label: string, text: string) => {
    const element = input(label);
    element.value = text;
    element.dispatchEvent(new Event('input'));
    element.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
  };
  return { host: fixture.componentInstance, root, input, enter };
}

describe('a field of a form', () => {
  it('has label, hint and unit from its schema, and the default where nothing is said', async () => {
    const { root, input } = await show();
    expect(root.textContent).toContain('On the plate');
    expect(input('Power').value).toBe('1200');
    // Kept in metres, shown in feet.
    expect([input('Depth').value, input('Depth').placeholder]).toEqual(['', '100']);
    expect(root.textContent).toContain('as deep as most');
    expect(root.textContent).toContain('A deep well, assumed');
  });

  it('takes what the schema takes, as a step named by its label', async () => {
    const { host, enter } = await show();
    await enter('Power', '1.5 kW');
    await enter('Depth', '50');
    await enter('Name', 'Old well');
    expect(host.well()).toMatchObject({ name: 'Old well', powerW: 1500 });
    expect(host.well().depthM).toBeCloseTo(15.24, 9);
    expect(host.labels.slice(0, 2)).toEqual(['power', 'depth']);
    expect(host.labels.at(-1)).toBe('name');
  });

  it('can be emptied where the schema says so, and nowhere else', async () => {
    const { host, root, enter } = await show();
    await enter('Depth', '40');
    await enter('Depth', '');
    expect(host.well().depthM).toBeNull();
    await enter('Power', '');
    expect([host.well().powerW, root.textContent.includes('Enter a number')]).toEqual([1200, true]);
  });

  it('knows an emptied text as nothing said, and a choice called nothing said', async () => {
    const { host, root, enter } = await show();
    expect(root.textContent).toContain('As the house');
    expect(root.textContent).toContain('Is it capped');
    expect(root.textContent).toContain('Nobody looked');
    expect(root.textContent).not.toContain('Nobody looked, assumed');
    expect(root.textContent.match(/assumed/g)).toHaveLength(3);
    await enter('Zone', 'Nowhere/At-all');
    expect(host.well().zone).toBe('Europe/Vienna');
    expect(root.textContent).toContain('Use a time zone name');
    await enter('Zone', '');
    expect(host.well().zone).toBeNull();
  });

  it('keeps what is out of bounds, and says the bound', async () => {
    const { host, root, input, enter } = await show();
    await enter('Power', '9.5 kW');
    expect([host.well().powerW, input('Power').value]).toEqual([1200, '9.5 kW']);
    expect(root.textContent).toContain('9000');
  });
});

describe('the facts of fields', () => {
  const slices = {
    backupSchema: serviceBackupSchema,
    briefSchema,
    circuitSchema,
    generatorSchema,
    loadSchema,
    panelSchema,
    scenarioSchema,
    serviceSchema,
    shedSchema,
    siteSchema,
    solarArraySchema,
    supplySchema,
    vehicleSchema,
  };
  it.each(Object.entries(slices))('%s: choices are what the schema takes, labels stand once', (_, schema) => {
    const facts = Object.entries<z.ZodType>(schema.shape).flatMap(([name, one]) => {
      const of = fieldFacts.get(one);
      return of ? [{ name, one, of }] : [];
    });
    expect(facts.length).toBeGreaterThan(2);
    expect(new Set(facts.map(({ of }) => of.label)).size).toBe(facts.length);
    for (const { name, one, of } of facts) {
      for (const [value] of of.choices ?? [])
        expect(one.safeParse(value).success, `${name} ${value}`).toBe(true);
    }
  });
});
