/** Text that a spreadsheet would take for a formula is kept text by a leading apostrophe. */
export const escapeFormulae = /^[=+\-@\t\r]/;
