import { boardRoutes } from './board/routes';
import { demoRoutes } from './demo/routes';
import { healthRoutes } from './health';
import { houseRoutes } from './house/routes';
import type { Route } from './http';
import { jobRoutes } from './jobs/routes';
import { leadRoutes } from './leads/routes';
import { liveRoutes } from './live';
import { makingRoutes } from './making/routes';
import { meterRoutes } from './meter/routes';
import { priceRoutes } from './prices/routes';
import { shelfRoutes } from './shelf/routes';
import { stageRoutes } from './stage/routes';
import { unitRoutes } from './units/routes';
import { workshopRoutes } from './workshop/routes';

/** Every address of the server. */
export const ROUTES: readonly Route[] = [
  ...healthRoutes,
  ...boardRoutes,
  ...demoRoutes,
  ...houseRoutes,
  ...jobRoutes,
  ...leadRoutes,
  ...liveRoutes,
  ...makingRoutes,
  ...meterRoutes,
  ...priceRoutes,
  ...shelfRoutes,
  ...stageRoutes,
  ...unitRoutes,
  ...workshopRoutes,
];
