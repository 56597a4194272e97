import { computed, effect, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { filter, fromEvent, map } from 'rxjs';

const key = 'levamen.scheme';
const schemeOf = (text: string | null): boolean | null => (text === null ? null : text === 'dark');

/** Light or dark: as the system prefers until somebody says otherwise on this device; every window of it follows. */
@Injectable({ providedIn: 'root' })
export class Appearance {
  private readonly system = matchMedia('(prefers-color-scheme: dark)');
  private readonly said = signal(schemeOf(localStorage.getItem(key)));
  private readonly preferred = toSignal(
    fromEvent<MediaQueryListEvent>(this.system, 'change').pipe(map(({ matches }) => matches)),
    { initialValue: this.system.matches },
  );
  readonly dark = computed(() => this.said() ?? this.preferred());

  constructor() {
    effect(() => {
      document.documentElement.classList.toggle('ink-dark', this.dark());
    });
    fromEvent<StorageEvent>(window, 'storage')
      .pipe(
        filter((changed) => changed.key === key),
        takeUntilDestroyed(),
      )
      .subscribe(({ newValue }) => this.said.set(schemeOf(newValue)));
  }

  toggle(): void {
    const dark = !this.dark();
    this.said.set(dark);
    localStorage.setItem(key, dark ? 'dark' : 'light');
  }
}
