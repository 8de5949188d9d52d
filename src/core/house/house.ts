import { number, object } from 'yup';
import { migrated, readShape, type DocumentMigration, type Result, type Shape } from '../quantity';
import { SETTINGS } from './settings';

/** The version of house documents written today. */
export const HOUSE_VERSION = 5;

type Settings = (typeof SETTINGS)[number];
type Shapes = { readonly [Id in Settings['id']]: Extract<Settings, { readonly id: Id }>['shape'] };

/** What is settled for the whole house, as one document. */
export const houseSchema = object({
  version: number()
    .oneOf([HOUSE_VERSION] as const)
    .required(),
  ...(Object.fromEntries(SETTINGS.map(({ id, shape }) => [id, shape])) as Shapes),
}).noUnknown();
export type House = Shape<typeof houseSchema>;

/** A house that has settled nothing yet. */
export const NEW_HOUSE: House = { version: HOUSE_VERSION, schools: {} };

/** One step for each version ever written. The first rows held the schools alone, with no version. */
export const HOUSE_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 0,
    to: 1,
    name: 'a document in the place of the schools alone',
    up: (house) => ({ ...house, version: 1 }),
  },
  {
    from: 1,
    to: 2,
    name: 'the house’s meter, and where it is plugged in; none was described before',
    up: (house) => ({ ...house, version: 2 }),
  },
  {
    from: 2,
    to: 3,
    name: 'the tools that the house has for what kits ask for; none were named before',
    up: (house) => ({ ...house, version: 3 }),
  },
  {
    from: 3,
    to: 4,
    name: 'how the house cuts, and what it wants to have always; nothing was said of either',
    up: (house) => ({ ...house, version: 4 }),
  },
  {
    from: 4,
    to: 5,
    name: 'how long it takes to lay hands on each tool; nothing was timed before',
    up: (house) => ({ ...house, version: 5 }),
  },
];

/** A house as it was stored by ourselves, brought up to today's version. */
export const storedHouse = (document: unknown): House => migrated(document, HOUSE_MIGRATIONS) as House;

/** Reads a house from outside, each setting checked at its own field. */
export const readHouse = (document: unknown): Result<House> => readShape(houseSchema, document);
