import { idSchema } from '@levamen/core/base';
import type { Panel } from '@levamen/core/house';
import { panelSchedule, scheduleColumns } from '@levamen/core/present';
import { type Job, planOf } from '@levamen/core/job';
import { plannedPanels } from '@levamen/core/wiring';
import { xlsxType } from '@levamen/core/api';
import { Router } from 'express';
import papaparse from 'papaparse';
import * as z from 'zod';
import { fileStem } from '../http/file-stem.js';
import { parseBody } from '../http/parse-body.js';
import { notFound } from '../http/problem.js';
import { escapeFormulae } from './escape-formulae.js';

export const scheduleCaution =
  'Surveyed, not verified. Local code and a licensed electrician stand above this sheet. Parts ahead of the main stay live.';

/** As surveyed, or as a design will make it. */
const querySchema = z.object({
  as: z.enum(['surveyed', 'planned'], { error: 'Choose surveyed or planned' }).default('surveyed'),
  design: idSchema.optional(),
});

/** The panels as they will be, with the new ones. */
function plannedOf(job: Job, designId: string | undefined): Panel[] {
  const { old, added } = plannedPanels(planOf(job, designId));
  return [...old, ...added].map(({ panel }) => panel);
}

/** Schedules of the panels of a job, under /api/jobs/:id/panels. */
export function panelRoutes(read: (id: string) => Promise<Job>): Router {
  const router = Router({ mergeParams: true });
  router.get<{ id: string; panelId: string; format: string }>(
    '/:panelId/schedule.:format',
    async (request, response) => {
      const { id, panelId, format } = request.params;
      const { as, design } = parseBody(querySchema, request.query);
      const job = await read(id);
      const panels = as === 'planned' ? plannedOf(job, design) : job.survey.panels;
      const panel = panels.find((one) => one.id === panelId);
      if (!panel) throw notFound('panel');
      const schedule = panelSchedule(job, panel);
      const name = fileStem(schedule.title);
      if (format === 'csv') {
        const text = papaparse.unparse(
          { fields: [...scheduleColumns], data: schedule.rows.map((row) => [...row]) },
          { escapeFormulae },
        );
        response.attachment(`${name}.csv`).type('text/csv; charset=utf-8').send(`${text}\r\n`);
      } else if (format === 'xlsx') {
        // The makers of documents are large: they are fetched when the first one is asked for.
        const { scheduleXlsx } = await import('./schedule-xlsx.js');
        response
          .attachment(`${name}.xlsx`)
          .type(xlsxType)
          .send(await scheduleXlsx(schedule, scheduleCaution));
      } else if (format === 'pdf') {
        const { schedulePdf } = await import('./schedule-pdf.js');
        response
          .attachment(`${name}.pdf`)
          .type('application/pdf')
          .send(await schedulePdf(schedule, scheduleCaution));
      } else throw notFound('format of a schedule');
    },
  );
  return router;
}
