/** Fitted prices of a project, by class of device. */
import type { Coefficients } from '@lyvek/core';
import type { Db } from './database.ts';

export const fitUnitCosts = async (
  db: Db,
  projectId: string,
): Promise<{ coefficients: unknown; trials: number }[]> =>
  (
    await db.query<{ coefficients: unknown; trials: number }>(
      'select coefficients, trials from unit_costs where project_id = $1 order by device',
      [projectId],
    )
  ).rows;

export const putUnitCosts = async (
  db: Db,
  projectId: string,
  coefficients: Coefficients,
  trials: number,
): Promise<void> =>
  void (await db.query(
    `insert into unit_costs (project_id, device, coefficients, trials) values ($1, $2, $3, $4)
     on conflict (project_id, device) do update set coefficients = $3, trials = $4, fitted_at = now()`,
    [projectId, coefficients.device, JSON.stringify(coefficients), trials],
  ));
