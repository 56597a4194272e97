import { effect, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { filter, fromEvent } from 'rxjs';

const key = 'levamen.scheme';

/** Light or dark, remembered on this device; every window of it follows. */
@Injectable({ providedIn: 'root' })
export class Appearance {
  readonly dark = signal(localStorage.getItem(key) === 'dark');

  constructor() {
    effect(() => {
      document.documentElement.classList.toggle('ink-dark', this.dark());
      localStorage.setItem(key, this.dark() ? 'dark' : 'light');
    });
    fromEvent<StorageEvent>(window, 'storage')
      .pipe(
        filter((changed) => changed.key === key),
        takeUntilDestroyed(),
      )
      .subscribe(({ newValue }) => this.dark.set(newValue === 'dark'));
  }

  toggle(): void {
    this.dark.update((dark) => !dark);
  }
}
