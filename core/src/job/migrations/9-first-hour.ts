import { isRecord, listOf, mapRecords, type Saved } from './saved.js';

/** A rating that stood in the supply belongs to the first service that is surveyed, unless its own is known. */
function ratingToService(saved: Saved): Pick<Saved, 'supply' | 'survey'> {
  const { supply, survey } = saved;
  if (!isRecord(supply) || !isRecord(survey) || listOf(survey['services']).length === 0)
    return { supply, survey };
  const isKnown = listOf(survey['services']).some((one) => isRecord(one) && one['ratingA'] !== null);
  let isFirst = true;
  return {
    supply: { ...supply, serviceRatingA: null },
    survey: {
      ...survey,
      services: mapRecords(survey['services'], (service) => {
        const takes = isFirst && !isKnown;
        isFirst = false;
        return takes ? { ...service, ratingA: supply['serviceRatingA'] ?? null } : service;
      }),
    },
  };
}

/**
 * Version 10 has one rating of a service; who the parties are, and open points; what an addition is; the modules of an
 * array; bands of a tariff; where a device stands; whether a panel was looked at; loads that take spare sun only.
 */
export const toFirstHour = (saved: Saved): Saved => {
  const { supply, survey } = ratingToService(saved);
  return {
    ...saved,
    version: 10,
    supply,
    parties: {
      client: '',
      contact: '',
      address: '',
      utility: '',
      utilityAccount: '',
      authority: '',
      country: '',
      region: '',
      codeEdition: '',
    },
    openPoints: [],
    brief: isRecord(saved['brief'])
      ? {
          ...saved['brief'],
          plannedAdditions: mapRecords(saved['brief']['plannedAdditions'], (addition) => ({
            ...addition,
            kind: 'load',
          })),
        }
      : saved['brief'],
    loads: mapRecords(saved['loads'], (load) => ({ ...load, surplusOnly: false })),
    survey: isRecord(survey)
      ? {
          ...survey,
          services: mapRecords(survey['services'], (service) => ({ ...service, tariffBands: [] })),
          panels: mapRecords(survey['panels'], (panel) => ({
            ...panel,
            surveyed: true,
            between: mapRecords(panel['between'], (device) => ({ ...device, place: '' })),
          })),
        }
      : survey,
    designs: mapRecords(saved['designs'], (design) => {
      const { sources } = design;
      if (!isRecord(sources)) return design;
      return {
        ...design,
        sources: {
          ...sources,
          arrays: mapRecords(sources['arrays'], (array) => ({ ...array, modules: null })),
        },
      };
    }),
  };
};
