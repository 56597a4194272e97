/**
 * Style sheets that scripts make, adopted by the document in the order in which they came. The content security policy of the page
 * forbids style elements and style attributes written into it; a sheet that is made by a script of the program is neither.
 */
export class AdoptedSheets {
  private readonly sheets = new Map<string, { readonly sheet: CSSStyleSheet; css: string }>();

  constructor(private readonly document: Document) {}

  /**
   * Adopts a sheet, or replaces the text of the one that has this name.
   *
   * @param name of the sheet
   * @param css its text
   * @param media to which it is held; all without
   */
  put(name: string, css: string, media?: string): void {
    const known = this.sheets.get(name);
    if (known?.css === css) return;
    const sheet = known?.sheet ?? new CSSStyleSheet(media ? { media } : {});
    sheet.replaceSync(css);
    this.sheets.set(name, { sheet, css });
    if (!known) this.document.adoptedStyleSheets.push(sheet);
  }

  /** Lets a sheet go; a name that is not there changes nothing. */
  drop(name: string): void {
    const gone = this.sheets.get(name)?.sheet;
    this.sheets.delete(name);
    if (gone)
      this.document.adoptedStyleSheets = this.document.adoptedStyleSheets.filter((each) => each !== gone);
  }
}
