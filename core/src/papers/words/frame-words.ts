import type { Language } from '../document/paper-request.schema.js';

/** Words that stand around every paper. */
export interface FrameWords {
  readonly page: string;
  readonly draft: string;
  readonly draftNote: string;
  readonly number: string;
  readonly revision: string;
  readonly issued: string;
  readonly jobRevision: string;
  readonly changes: string;
}

export const frameWords: Readonly<Record<Language, FrameWords>> = {
  en: {
    page: 'Page {page} of {pages}',
    draft: 'Draft',
    draftNote: 'not issued',
    number: 'No. {number}',
    revision: 'revision {letter}',
    issued: 'issued {day} by {who}',
    jobRevision: 'job revision {revision}',
    changes: 'Changed since revision {letter}',
  },
  es: {
    page: 'Página {page} de {pages}',
    draft: 'Borrador',
    draftNote: 'no emitido',
    number: 'N.º {number}',
    revision: 'revisión {letter}',
    issued: 'emitido el {day} por {who}',
    jobRevision: 'revisión {revision} del proyecto',
    changes: 'Cambios desde la revisión {letter}',
  },
  de: {
    page: 'Seite {page} von {pages}',
    draft: 'Entwurf',
    draftNote: 'nicht ausgegeben',
    number: 'Nr. {number}',
    revision: 'Ausgabe {letter}',
    issued: 'ausgegeben am {day} von {who}',
    jobRevision: 'Stand {revision} des Auftrags',
    changes: 'Geändert seit Ausgabe {letter}',
  },
};

/** What is not entered yet is said to the designer, in the language of the program. */
export const missingWords = {
  title: 'Not entered yet',
  at: '{what}: enter it in {place}.',
} as const;
