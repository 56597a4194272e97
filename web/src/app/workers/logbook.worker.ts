import type { Catalogue } from '@levamen/core/equipment';
import {
  type LogbookQuestion,
  type ToldBattery,
  toldBattery,
  toldOutage,
} from '@levamen/core/logbook/details';
import { expose } from 'comlink';
import type { LogbookApi } from './logbook-api';

let present: {
  readonly question: LogbookQuestion;
  readonly catalogue: Catalogue;
  readonly battery: ToldBattery;
} | null = null;

const api: LogbookApi = {
  prepare: (question, catalogue) => {
    const battery = toldBattery(question, catalogue);
    present = battery && { question, catalogue, battery };
    return battery;
  },
  outage: (outageId) => {
    const outage = present?.question.plan.logbook.outages.find(({ id }) => id === outageId);
    if (!present || !outage) return null;
    const { known, ...told } = toldOutage(present.question, present.battery, outage, present.catalogue);
    return { ...told, chargeWas: known.course?.charge ?? null };
  },
};
expose(api);
