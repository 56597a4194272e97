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
  readonly missing: string;
  readonly missingAt: string;
  readonly changes: string;
  readonly from: string;
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
    missing: 'Not entered yet',
    missingAt: '{what}: enter it in {place}.',
    changes: 'Changed since revision {letter}',
    from: 'From',
  },
  es: {
    page: 'Página {page} de {pages}',
    draft: 'Borrador',
    draftNote: 'no emitido',
    number: 'N.º {number}',
    revision: 'revisión {letter}',
    issued: 'emitido el {day} por {who}',
    jobRevision: 'revisión {revision} del proyecto',
    missing: 'Falta por indicar',
    missingAt: '{what}: se indica en {place}.',
    changes: 'Cambios desde la revisión {letter}',
    from: 'De',
  },
  de: {
    page: 'Seite {page} von {pages}',
    draft: 'Entwurf',
    draftNote: 'nicht ausgegeben',
    number: 'Nr. {number}',
    revision: 'Ausgabe {letter}',
    issued: 'ausgegeben am {day} von {who}',
    jobRevision: 'Stand {revision} des Auftrags',
    missing: 'Noch nicht eingetragen',
    missingAt: '{what}: einzutragen unter {place}.',
    changes: 'Geändert seit Ausgabe {letter}',
    from: 'Von',
  },
};
