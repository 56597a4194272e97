import { Pipe, type PipeTransform } from '@angular/core';
import { inWordsOf, type PlaceLocale } from '@levamen/core/present';

/** A text in the words of a place. */
@Pipe({ name: 'inWordsOf' })
export class InWordsOf implements PipeTransform {
  transform(text: string, locale: PlaceLocale): string {
    return inWordsOf(locale, text);
  }
}
