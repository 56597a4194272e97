import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whoever works on something says so all the time. When that was is compared in both directions: a clock may be set back. */
export class Clocks1880000000000 implements MigrationInterface {
  readonly name = 'Clocks1880000000000';

  up(runner: QueryRunner): Promise<void> {
    return take(runner, (moment) => `abs(extract(epoch FROM now() - ${moment})) > silent_s`);
  }

  down(runner: QueryRunner): Promise<void> {
    return take(runner, (moment) => `${moment} < now() - make_interval(secs => silent_s)`);
  }
}

async function take(runner: QueryRunner, isSilent: (moment: string) => string): Promise<void> {
  await runner.query(`
    CREATE OR REPLACE FUNCTION take_up_orders(silent_s integer) RETURNS TABLE (order_id uuid, of_workspace uuid)
    LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      UPDATE paper_order SET state = 'waiting', told_at = now()
        WHERE state = 'making' AND ${isSilent('told_at')}
        RETURNING id, workspace_id
    $$`);
  await runner.query(`
    CREATE OR REPLACE FUNCTION take_up_houses(silent_s integer) RETURNS TABLE (run_id uuid, of_workspace uuid)
    LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      UPDATE houses_run r SET heard_at = now()
        WHERE cancelled_at IS NULL AND ${isSilent('heard_at')}
          AND EXISTS (SELECT FROM houses_answer a WHERE a.run_id = r.id AND a.answer IS NULL)
        RETURNING id, workspace_id
    $$`);
}
