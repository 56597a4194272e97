import { type DeviceNetworks, deviceNetworksSchema } from '@levamen/core/api';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import { DeedLog } from '../log/deed-log.js';
import { WorkspaceEntity } from '../store/entities.js';
import { isOwnNetwork } from './allowed-address.js';

/** Networks of a workspace in which the server may ask devices. */
export async function networksOf(
  source: DataSource,
  workspaceId: string,
): Promise<DeviceNetworks['networks']> {
  const { deviceNetworks } = await source.manager.findOneByOrFail(WorkspaceEntity, { id: workspaceId });
  return deviceNetworks;
}

/** In which networks the server may ask devices, under /api/device-networks; an owner says so. */
export function networkRoutes(source: DataSource, workspaceId: string): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ networks: await networksOf(source, workspaceId) });
  });
  router.put('/', async (request, response) => {
    const { networks } = parseBody(deviceNetworksSchema, request.body);
    const foreign = networks.findIndex((network) => !isOwnNetwork(network));
    if (foreign >= 0)
      throw new HttpProblem(422, 'Not a network of a house', 'Name networks of this machine or of a house.', [
        {
          path: `networks.${foreign}`,
          message: `${networks[foreign]!} reaches beyond 127.0.0.0/8, 10.0.0.0/8, 172.16.0.0/12, 192.168.0.0/16, ::1 and fc00::/7`,
        },
      ]);
    await source.transaction(async (manager) => {
      await manager.update(WorkspaceEntity, { id: workspaceId }, { deviceNetworks: networks });
      await new DeedLog(workspaceId).write(manager, whoOf(request), 'device networks allowed', null, {
        networks: networks.join(', ') || 'none',
      });
    });
    response.json({ networks });
  });
  return router;
}
