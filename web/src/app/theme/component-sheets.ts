import { inject, Injectable, DOCUMENT, type Provider } from '@angular/core';
import { ɵSharedStylesHost as SharedStylesHost } from '@angular/platform-browser';
import { AdoptedSheets } from './adopted-sheets';

/** Adopts the styles of components, where Angular would write style elements; files that are linked stay with Angular. */
@Injectable()
export class ComponentSheets extends SharedStylesHost {
  private readonly sheets = new AdoptedSheets(inject(DOCUMENT));
  /** How many components stand there that need it. */
  private readonly users = new Map<string, number>();

  override addStyles(styles: string[], urls?: string[]): void {
    for (const css of styles) {
      const users = this.users.get(css) ?? 0;
      if (users === 0) this.sheets.put(css, css);
      this.users.set(css, users + 1);
    }
    super.addStyles([], urls);
  }

  override removeStyles(styles: string[], urls?: string[]): void {
    for (const css of styles) {
      const users = (this.users.get(css) ?? 0) - 1;
      if (users > 0) this.users.set(css, users);
      else {
        this.users.delete(css);
        this.sheets.drop(css);
      }
    }
    super.removeStyles([], urls);
  }
}

/** Styles of components as adopted sheets. */
export const provideComponentSheets = (): Provider => [
  ComponentSheets,
  { provide: SharedStylesHost, useExisting: ComponentSheets },
];
