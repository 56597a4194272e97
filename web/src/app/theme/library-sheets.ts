import { DOCUMENT, inject, Injectable, type Provider } from '@angular/core';
import { UseStyle } from 'primeng/usestyle';
import { AdoptedSheets } from './adopted-sheets';

/** Adopts the styles of PrimeNG, where it would write style elements. Its layers are put in order by styles.css. */
@Injectable()
export class LibrarySheets extends UseStyle {
  private readonly sheets = new AdoptedSheets(inject(DOCUMENT));
  private unnamed = 0;

  override use(css: string, { name = '', media }: { name?: string; media?: string } = {}): undefined {
    this.sheets.put(name || `unnamed ${++this.unnamed}`, css, media);
  }
}

/** Styles of PrimeNG as adopted sheets. */
export const provideLibrarySheets = (): Provider => [
  LibrarySheets,
  { provide: UseStyle, useExisting: LibrarySheets },
];
