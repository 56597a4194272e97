import type { LinkKind } from '@levamen/core/api';
import type { Letter } from './post.js';

const subjects: Readonly<Record<LinkKind, (company: string) => string>> = {
  invitation: (company) => `Work with ${company} in Levamen`,
  reset: (company) => `A new password for ${company} in Levamen`,
  forgotten: () => 'A new password in Levamen',
};

const openings: Readonly<Record<LinkKind, (company: string) => string>> = {
  invitation: (company) =>
    `${company} asks you to work with them in Levamen. Join by this link; it is good for 7 days, and once:`,
  reset: (company) =>
    `The owner of ${company} offers you a new password. Set it by this link; it is good for a day, and once:`,
  forgotten: () =>
    'Somebody, you perhaps, asked for a new password. Set it by this link; it is good for a day, and once. Your second factor stays:',
};

/** A letter with a link that was made for somebody. */
export function linkLetter(to: string, kind: LinkKind, company: string, link: string): Letter {
  return {
    to,
    subject: subjects[kind](company),
    text: `${openings[kind](company)}\n\n${link}\n\nIf you expect no such letter, leave it: nothing happens.\n`,
  };
}
