import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import * as z from 'zod';
import { describe, expect, it } from 'vitest';
import { TextField } from './text-field';

@Component({
  imports: [TextField],
  template: `<lv-text-field label="Name" [schema]="schema" [value]="value()" (valueChange)="take($event)" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Host {
  readonly schema = z.string().min(2, 'Two letters or more.').max(10, 'Ten letters at most.');
  readonly value = signal('Barn');
  readonly taken: string[] = [];
  take(value: string): void {
    this.taken.push(value);
    this.value.set(value);
  }
}

async function show() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const root = fixture.nativeElement as HTMLElement;
  const input = root.querySelector('input')!;
  const type = async (text: string) => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const press = async (event: Event) => {
    input.dispatchEvent(event);
    await fixture.whenStable();
  };
  return { host: fixture.componentInstance, root, input, type, press };
}

describe('a text field', () => {
  it('takes the text as it is typed, without what stands around it', async () => {
    const { host, input, type } = await show();
    await type('Barn ');
    expect(host.taken).toEqual([]);
    await type('Barn a');
    expect(host.taken).toEqual(['Barn a']);
    expect(input.value).toBe('Barn a');
  });

  it('keeps what is refused, and says why once it is left', async () => {
    const { host, root, input, type, press } = await show();
    await type('B');
    expect(host.taken).toEqual([]);
    expect(root.textContent).not.toContain('Two letters');
    await press(new Event('blur'));
    expect(root.textContent).toContain('Two letters or more.');
    expect(input.value).toBe('B');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    await type('Bo');
    expect(root.textContent).not.toContain('Two letters');
    expect(host.taken).toEqual(['Bo']);
  });

  it('goes back to what stood there with Escape', async () => {
    const { host, input, type, press } = await show();
    await type('Ba');
    await type('Bar');
    await press(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect(host.value()).toBe('Barn');
    expect(input.value).toBe('Barn');
  });
});
