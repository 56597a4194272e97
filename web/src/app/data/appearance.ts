import { effect, Injectable, signal } from '@angular/core';

const key = 'levamen.scheme';

/** Light or dark, remembered on this device. */
@Injectable({ providedIn: 'root' })
export class Appearance {
  readonly dark = signal(localStorage.getItem(key) === 'dark');

  constructor() {
    effect(() => {
      document.documentElement.classList.toggle('ink-dark', this.dark());
      localStorage.setItem(key, this.dark() ? 'dark' : 'light');
    });
  }

  toggle(): void {
    this.dark.update((dark) => !dark);
  }
}
