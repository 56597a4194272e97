import * as z from 'zod';
import { field, lineSchema } from '../../base/index.js';

/** Who the house belongs to, who feeds it, and whose rules hold there; '' = nobody has said. */
export const partiesSchema = z.strictObject({
  client: field(lineSchema(120), { label: 'Client' }),
  contact: field(lineSchema(120), { label: 'Telephone or mail' }),
  address: field(lineSchema(200), { label: 'Address' }),
  utility: field(lineSchema(120), { label: 'Utility' }),
  utilityAccount: field(lineSchema(60), { label: 'Account with the utility' }),
  authority: field(lineSchema(120), { label: 'Authority having jurisdiction' }),
  country: field(lineSchema(60), { label: 'Country' }),
  region: field(lineSchema(60), { label: 'State, province or region' }),
  codeEdition: field(lineSchema(80), { label: 'Electrical code adopted there', hint: 'with its edition' }),
});
export type Parties = z.infer<typeof partiesSchema>;

export const noParties = (): Parties => ({
  client: '',
  contact: '',
  address: '',
  utility: '',
  utilityAccount: '',
  authority: '',
  country: '',
  region: '',
  codeEdition: '',
});
