import type { Language } from '@levamen/core/papers';

/** Words around a paper that is read by its link. */
export interface GivenWords {
  readonly gone: string;
  readonly offline: string;
  readonly from: string;
  readonly pdf: string;
  readonly accept: string;
  readonly acceptNote: string;
  readonly which: string;
  readonly name: string;
  readonly send: string;
  readonly accepted: string;
  readonly nameMissing: string;
}

export const givenWords: Readonly<Record<Language, GivenWords>> = {
  en: {
    gone: 'This link is not there, has ended, or was taken back. Ask your installer for a new one.',
    offline: 'The page cannot be fetched now. Try again when there is a network.',
    from: '{company}, {number}, {day}',
    pdf: 'The whole proposal, PDF',
    accept: 'Accept',
    acceptNote:
      'With your name you accept the design, its price and the terms of this proposal. Time and address are kept with it.',
    which: 'Design',
    name: 'Your name',
    send: 'Accept this proposal',
    accepted: 'Accepted: “{design}” by {name}, {day}.',
    nameMissing: 'Enter your name.',
  },
  es: {
    gone: 'Este enlace no existe, ha caducado o se retiró. Pida uno nuevo a su instalador.',
    offline: 'La página no se puede cargar ahora. Inténtelo cuando haya red.',
    from: '{company}, {number}, {day}',
    pdf: 'La propuesta completa, PDF',
    accept: 'Aceptar',
    acceptNote:
      'Con su nombre acepta el diseño, su precio y las condiciones de esta propuesta. Se guardan la hora y la dirección.',
    which: 'Diseño',
    name: 'Su nombre',
    send: 'Aceptar esta propuesta',
    accepted: 'Aceptado: «{design}» por {name}, {day}.',
    nameMissing: 'Escriba su nombre.',
  },
  de: {
    gone: 'Diesen Link gibt es nicht, er ist abgelaufen oder wurde zurückgenommen. Bitten Sie Ihren Installateur um einen neuen.',
    offline: 'Die Seite lässt sich gerade nicht laden. Versuchen Sie es, wenn es ein Netz gibt.',
    from: '{company}, {number}, {day}',
    pdf: 'Das ganze Angebot, PDF',
    accept: 'Annehmen',
    acceptNote:
      'Mit Ihrem Namen nehmen Sie den Entwurf, seinen Preis und die Bedingungen dieses Angebots an. Zeit und Adresse werden festgehalten.',
    which: 'Entwurf',
    name: 'Ihr Name',
    send: 'Dieses Angebot annehmen',
    accepted: 'Angenommen: „{design}“ von {name}, {day}.',
    nameMissing: 'Tragen Sie Ihren Namen ein.',
  },
};
