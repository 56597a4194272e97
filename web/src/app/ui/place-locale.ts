import { InjectionToken, signal, type Signal } from '@angular/core';
import type { PlaceLocale } from '@levamen/core/present';

/** In which words of the trade the page speaks; the open job says. */
export const PLACE_LOCALE = new InjectionToken<Signal<PlaceLocale>>('place locale', {
  factory: () => signal<PlaceLocale>('en-GB'),
});
