import type { Language, PaperKind, paperParts } from '@levamen/core/papers';

export const kindWords: Readonly<Record<PaperKind, { readonly name: string; readonly says: string }>> = {
  proposal: {
    name: 'Proposal',
    says: 'For the household: up to three designs side by side, hours by season, the price, a line to sign.',
  },
  packet: {
    name: 'Permit packet',
    says: 'For authority and utility: drawings, load calculation, schedules, busbars, conductors, elevations.',
  },
  parts: {
    name: 'Parts list',
    says: 'For whoever orders and packs: by kind, by supplier, by place of use; the work.',
  },
  labels: { name: 'Labels', says: 'Every sign the wiring asks for, at its size, and where it hangs.' },
  card: {
    name: 'Outage card',
    says: 'For the household, one page: how long it lasts, what to switch off first, what comes back and when.',
  },
  report: {
    name: 'Report',
    says: 'Of commissioning: every step with what was predicted, found and by whom, what is left, both signatures.',
  },
};

export const languageWords: Readonly<Record<Language, string>> = {
  en: 'English',
  es: 'Español',
  de: 'Deutsch',
};

/** Papers that a household reads. */
export const forHousehold = (kind: PaperKind): boolean => kind === 'proposal' || kind === 'card';

/** Parts of papers, as they are chosen. */
export const partWords: Readonly<Record<(typeof paperParts)[PaperKind][number], string>> = {
  wishes: 'What was asked for',
  designs: 'Designs side by side',
  seasons: 'Hours by season',
  'energy-power': 'Energy and power explained',
  'not-included': 'What is not included',
  price: 'Price',
  acceptance: 'Payment, terms, acceptance',
  site: 'Site and system',
  'one-line': 'One-line drawing',
  'three-line': 'Three-line drawings',
  load: 'Load calculation',
  busbars: 'Busbars',
  conductors: 'Conductors and devices',
  schedules: 'Panel schedules',
  equipment: 'Equipment ratings',
  elevations: 'Elevations',
  'site-plan': 'Site plan, disconnects',
  labels: 'Labels',
  states: 'State check',
  utility: 'For the utility',
  assumed: 'Assumed, to be confirmed',
  units: 'Units',
  wiring: 'Wiring, suppliers, places',
  work: 'Work',
  list: 'List of labels',
  sheets: 'Labels at their size',
  hours: 'How long it lasts',
  on: 'What stays on',
  'off-first': 'What to switch off first',
  trip: 'When everything goes dark',
  return: 'What comes back',
  emergency: 'Emergency',
  summary: 'What was put into service',
  steps: 'Steps and readings',
  outage: 'Staged outages',
  built: 'As built',
  left: 'Left to do',
  signed: 'Signatures',
};
