import { asks, takes, type Route } from '../http';
import {
  houseCuttingSchema,
  houseLevelSchema,
  houseMeterSchema,
  houseSchoolsSchema,
  houseSetUpsSchema,
  houseToolSchema,
  ownCableSchema,
  ownConnectorSchema,
} from './bodies';
import {
  putCable,
  putConnector,
  putCutting,
  putLevel,
  putMeter,
  putSchools,
  putSetUps,
  putTool,
  removeOwn,
  workshop,
} from './service';

/** The addresses of the workshop: what is settled for it, and its own connectors and cables. */
export const workshopRoutes: readonly Route[] = [
  asks('GET', '/api/workshop', ({ db }) => workshop(db)),
  takes('PUT', '/api/workshop/schools', houseSchoolsSchema, ({ db, body }) => putSchools(db, body.schools)),
  takes('PUT', '/api/workshop/tools', houseToolSchema, ({ db, body }) => putTool(db, body)),
  takes('PUT', '/api/workshop/set-ups', houseSetUpsSchema, ({ db, body }) => putSetUps(db, body.setUps)),
  takes('PUT', '/api/workshop/cutting', houseCuttingSchema, ({ db, body }) => putCutting(db, body.cutting)),
  takes('PUT', '/api/workshop/levels', houseLevelSchema, ({ db, body }) => putLevel(db, body)),
  takes('PUT', '/api/workshop/meter', houseMeterSchema, ({ db, body }) => putMeter(db, body)),
  takes('PUT', '/api/workshop/connectors/:entry', ownConnectorSchema, ({ db, params, body }) =>
    putConnector(db, body.entry, params.entry),
  ),
  asks('DELETE', '/api/workshop/connectors/:entry', ({ db, params }) =>
    removeOwn(db, 'connector', params.entry),
  ),
  takes('PUT', '/api/workshop/cables/:entry', ownCableSchema, ({ db, params, body }) =>
    putCable(db, body.entry, params.entry),
  ),
  asks('DELETE', '/api/workshop/cables/:entry', ({ db, params }) => removeOwn(db, 'cable', params.entry)),
];
