import { number, object, string } from 'yup';
import { isObject, migrated, union, type DocumentMigration, type Earlier, type Shape } from '../quantity';
import { cableSchema } from './cable';
import { connectorSchema } from './connector';

/** The version of a workshop's own entries written today. */
export const OWN_VERSION = 3;

const version = number()
  .oneOf([OWN_VERSION] as const)
  .required();
const ownConnectorEntry = object({
  version,
  kind: string()
    .oneOf(['connector'] as const)
    .required(),
  entry: connectorSchema.required(),
}).noUnknown();
const ownCableEntry = object({
  version,
  kind: string()
    .oneOf(['cable'] as const)
    .required(),
  entry: cableSchema.required(),
}).noUnknown();

/** A connector or a cable of the workshop's own, as it is stored. */
export const ownEntrySchema = union('kind', { connector: ownConnectorEntry, cable: ownCableEntry });
export type OwnEntry = Shape<typeof ownEntrySchema>;

/** A connector of before: what was threaded on was a list of names, all of them before the first joint and from the cable. */
export function withBodyParts({ threadOn, ...entry }: Earlier): Earlier {
  return Array.isArray(threadOn)
    ? {
        ...entry,
        bodyParts: threadOn.map((name: unknown) => ({ name, goesOn: 'before', from: 'cable' })),
      }
    : threadOn === undefined
      ? entry
      : { ...entry, threadOn };
}

/** One step for each version ever written. */
export const OWN_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'body parts of connectors in the place of what is threaded on',
    up: (document) => {
      const { entry } = document;
      return {
        ...document,
        version: 2,
        entry: document['kind'] === 'connector' && isObject(entry) ? withBodyParts(entry) : entry,
      };
    },
  },
  {
    from: 2,
    to: 3,
    name: 'how a connector grips, what its body is for, and whether its ground mates first may be said',
    up: (document) => ({ ...document, version: 3 }),
  },
];

/** An entry as it was stored by ourselves, brought up to today's version. */
export const storedOwnEntry = (document: unknown): OwnEntry => migrated(document, OWN_MIGRATIONS) as OwnEntry;
