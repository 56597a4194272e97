import { isRecord, listOf, mapRecords, type Saved, textOf } from './saved.js';

/** A season of a tariff as version 12 had it: winter and summer by month, the months between belong to the one before. */
const seasonsOf = (southern: boolean): Saved[] =>
  [
    { id: 'winter', name: 'Winter', fromMonth: southern ? 5 : 11, fromDay: 1 },
    { id: 'summer', name: 'Summer', fromMonth: southern ? 11 : 5, fromDay: 1 },
  ].map((season) => ({ ...season }));

/** The bands of a service as a tariff: each a band with its window; what none of them covers has no price yet. */
function tariffOf(service: Saved, southern: boolean): Saved | null {
  const bands = listOf(service['tariffBands']).filter(isRecord);
  const name = textOf(service['tariff']);
  if (name === '' && bands.length === 0) return null;
  const perSeason = bands.some((band) => band['season'] === 'winter' || band['season'] === 'summer');
  const seasons = perSeason
    ? seasonsOf(southern)
    : [{ id: 'year', name: 'All year', fromMonth: 1, fromDay: 1 }];
  // A tariff holds eight bands; names that come again are one band.
  const names = [...new Set(bands.map((band) => textOf(band['name'])))].slice(0, 7);
  const currencies = bands.flatMap((band) =>
    isRecord(band['perKWh']) && typeof band['perKWh']['currency'] === 'string'
      ? [band['perKWh']['currency']]
      : [],
  );
  const bandId = (index: number): string => `band-${index + 1}`;
  const pricesOf = (bandName: string): Saved[] =>
    seasons.map(({ id }) => {
      const said = bands.find(
        (band) =>
          band['name'] === bandName && (!perSeason || band['season'] === 'all' || band['season'] === id),
      );
      const price = said && isRecord(said['perKWh']) ? said['perKWh']['amount'] : null;
      return { id, importPerKWh: typeof price === 'string' ? price : null, exportPerKWh: null };
    });
  return {
    id: `tariff-${textOf(service['id'])}`.slice(0, 40),
    name: (name === '' ? `Tariff of ${textOf(service['name'])}` : name).slice(0, 80),
    source: '',
    currency: currencies[0] ?? 'EUR',
    clock: 'zone',
    holidays: '',
    extraHolidays: [],
    seasons,
    bands: [
      {
        id: 'other',
        name: 'Other hours',
        prices: seasons.map(({ id }) => ({ id, importPerKWh: null, exportPerKWh: null })),
      },
      ...names.map((bandName, index) => ({ id: bandId(index), name: bandName, prices: pricesOf(bandName) })),
    ],
    windows: bands.flatMap((band, index) => {
      const of = names.indexOf(textOf(band['name']));
      if (of < 0) return [];
      const season = band['season'];
      return [
        {
          id: `window-${index + 1}`,
          bandId: bandId(of),
          seasonIds: perSeason && (season === 'winter' || season === 'summer') ? [season] : [],
          days: band['days'] === 'workdays' || band['days'] === 'weekend' ? band['days'] : 'all',
          fromMin: Number(band['fromH']) * 60,
          toMin: Number(band['toH']) * 60,
        },
      ];
    }),
    tiers: [],
    exportRule: 'priced',
    standing: [],
    demand: [],
    taxes: [],
    minimumPerMonth: null,
  };
}

/**
 * Version 13 has soft starters that belong to a design; tariffs of their own, one for each meter; how a design uses its battery day by day; what is assumed of the years to come; what of
 * arrays, generator and units was there before; and what a design may not have or cost. Arrays and generators of earlier versions
 * cost nothing in a design: they count as there.
 */
export function toTariffs(saved: Saved): Saved {
  const { survey, brief, site } = saved;
  const southern = isRecord(site) && typeof site['latitudeDeg'] === 'number' && site['latitudeDeg'] < 0;
  const services = isRecord(survey) ? listOf(survey['services']).filter(isRecord) : [];
  const tariffs = services
    .flatMap((service): Saved[] => {
      const tariff = tariffOf(service, southern);
      return tariff ? [tariff] : [];
    })
    .slice(0, 12);
  const known = new Set(tariffs.map((tariff) => tariff['id']));
  const existing = (entry: Saved): Saved => ({ ...entry, existing: true });
  return {
    ...saved,
    version: 13,
    brief: isRecord(brief) ? { ...brief, noGenerator: false, mostCost: null } : brief,
    tariffs,
    finance: { years: null, discountRate: null, exchangeRate: null, priceRise: null },
    existingUnits: [],
    survey: isRecord(survey)
      ? {
          ...survey,
          services: mapRecords(survey['services'], ({ tariff: _tariff, tariffBands: _bands, ...service }) => {
            const id = `tariff-${textOf(service['id'])}`.slice(0, 40);
            return { ...service, tariffId: known.has(id) ? id : null };
          }),
        }
      : survey,
    designs: mapRecords(saved['designs'], (design) => {
      const { sources, backup } = design;
      return {
        ...design,
        backup: isRecord(backup) ? { ...backup, softStarters: [] } : backup,
        dailyUse: {
          strategy: null,
          heldBack: null,
          fullBeforeStorms: false,
          gridCharging: true,
          sendsOut: false,
          importLimitW: null,
        },
        sources: isRecord(sources)
          ? {
              ...sources,
              arrays: mapRecords(sources['arrays'], existing),
              generator: isRecord(sources['generator'])
                ? existing(sources['generator'])
                : sources['generator'],
            }
          : sources,
      };
    }),
  };
}
