import { CABLES, CONNECTORS, OWN_VERSION, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import type { House } from '../../core/house';
import type { Shape } from '../../core/quantity';
import type { ChosenSchools } from '../../core/wiring';
import { inTransaction, type Database } from '../db';
import { METER_SOCKETS } from '../meter/sockets';
import { Refused } from '../refused';
import type { houseLevelSchema } from './bodies';
import * as rows from './rows';

/** What belongs to the house: what is settled for it, and its own connectors and cables. */
export interface Workshop extends House {
  readonly connectors: readonly ConnectorEntry[];
  readonly cables: readonly CableEntry[];
  /** Where a meter may be plugged in: the only hosts that Antler is told to speak to. */
  readonly sockets: readonly string[];
}

/** The house and the workshop’s own entries. */
export async function workshop(db: Database): Promise<Workshop> {
  const [house, own] = await Promise.all([rows.house(db), rows.own(db)]);
  return {
    ...house,
    connectors: own.flatMap((each) => (each.kind === 'connector' ? each.entry : [])),
    cables: own.flatMap((each) => (each.kind === 'cable' ? each.entry : [])),
    sockets: METER_SOCKETS,
  };
}

/** The id in the address, where there is one, is the entry’s own. */
function sameId(entry: { readonly id: string }, address: string | undefined): void {
  if (address !== undefined && address !== entry.id)
    refuse('own.id', `This is sent to “${address}”, and says that its id is “${entry.id}”.`, 'entry.id');
}

const refuse = (code: string, says: string, path: string): never => {
  throw new Refused(422, [{ code, says, path }]);
};

/** Sets the house's answers. They are what a new lead starts with; leads that exist keep their own. */
export async function putSchools(db: Database, schools: ChosenSchools): Promise<Workshop> {
  await inTransaction(db, (trx) => rows.changeHouse(trx, (now) => ({ ...now, schools })));
  return workshop(db);
}

/**
 * Describes the house's meter: units that are started from now on are proven by it. It is plugged in only where Antler was told that one may be: a host of
 * anybody's choice would be a door to the network.
 */
export async function putMeter(
  db: Database,
  { meter, plug }: Pick<House, 'meter' | 'plug'>,
): Promise<Workshop> {
  if (plug !== undefined && !METER_SOCKETS.includes(plug))
    refuse(
      'meter.socket',
      `Antler may not speak to “${plug}”. Start it with ANTLER_METERS naming that host and port.`,
      'plug',
    );
  await inTransaction(db, (trx) =>
    rows.changeHouse(trx, ({ meter: _, plug: __, ...rest }) => ({
      ...rest,
      ...(meter ? { meter } : {}),
      ...(plug === undefined ? {} : { plug }),
    })),
  );
  return workshop(db);
}

/** Keeps what the house has for a tool that kits ask for, or forgets it. Said twice it is the same. */
export async function putTool(
  db: Database,
  { id, ours }: { readonly id: string; readonly ours: string | null },
): Promise<Workshop> {
  await inTransaction(db, (trx) =>
    rows.changeHouse(trx, ({ tools = [], ...rest }) => {
      const others = tools.filter((each) => each.id !== id);
      return { ...rest, tools: ours ? [...others, { id, ours }] : others };
    }),
  );
  return workshop(db);
}

/** Settles how the house cuts. */
export async function putCutting(db: Database, cutting: NonNullable<House['cutting']>): Promise<Workshop> {
  await inTransaction(db, (trx) => rows.changeHouse(trx, (now) => ({ ...now, cutting })));
  return workshop(db);
}

/** Settles how long it takes to lay hands on each tool; what is not named takes as long as usual. Said of one tool twice: refused. */
export async function putSetUps(db: Database, setUps: NonNullable<House['setUps']>): Promise<Workshop> {
  const twice = setUps.findIndex(({ tool }, n) => setUps.findIndex((each) => each.tool === tool) < n);
  if (twice >= 0) refuse('house.set-up', 'This tool is named twice: say it once.', `setUps[${twice}].tool`);
  await inTransaction(db, (trx) => rows.changeHouse(trx, (now) => ({ ...now, setUps })));
  return workshop(db);
}

/** Settles below how much of an item it is to be bought; nothing forgets it. */
export async function putLevel(
  db: Database,
  { item, name, unit, least }: Shape<typeof houseLevelSchema>,
): Promise<Workshop> {
  await inTransaction(db, (trx) =>
    rows.changeHouse(trx, ({ levels = [], ...rest }) => {
      const others = levels.filter((each) => each.item !== item);
      return { ...rest, levels: least === null ? others : [...others, { item, name, unit, least }] };
    }),
  );
  return workshop(db);
}

/** Keeps a connector of the workshop's own; a family or id of the catalogue's cannot be taken. */
export async function putConnector(db: Database, entry: ConnectorEntry, address?: string): Promise<Workshop> {
  sameId(entry, address);
  if (CONNECTORS.some((each) => each.id === entry.id || each.family === entry.family))
    refuse('own.taken', `The catalogue has a “${entry.family}” already: choose another name.`, 'name');
  const ids = entry.contacts.map((contact) => contact.id);
  if (new Set(ids).size < ids.length) refuse('own.contacts', 'Two contacts have the same name.', 'contacts');
  const drawn = entry.views?.mating.map((place) => place.contact) ?? [];
  if (drawn.length > 0 && (drawn.length !== ids.length || !ids.every((id) => drawn.includes(id))))
    refuse('own.views', 'Every contact needs its place on the face.', 'views.mating');
  await inTransaction(db, (trx) => rows.putOwn(trx, { version: OWN_VERSION, kind: 'connector', entry }));
  return workshop(db);
}

/** Keeps a cable of the workshop's own; an id of the catalogue's cannot be taken. */
export async function putCable(db: Database, entry: CableEntry, address?: string): Promise<Workshop> {
  sameId(entry, address);
  if (CABLES.some((each) => each.id === entry.id))
    refuse('own.taken', `The catalogue has a “${entry.id}” already: choose another name.`, 'name');
  const ids = entry.conductors.map((conductor) => conductor.id);
  if (new Set(ids).size < ids.length)
    refuse('own.conductors', 'Two conductors have the same name.', 'conductors');
  await inTransaction(db, (trx) => rows.putOwn(trx, { version: OWN_VERSION, kind: 'cable', entry }));
  return workshop(db);
}

/** Takes one of the workshop's own out of the list; leads that use it carry it themselves. */
export async function removeOwn(db: Database, kind: 'connector' | 'cable', id: string): Promise<Workshop> {
  await inTransaction(db, (trx) => rows.removeOwn(trx, kind, id));
  return workshop(db);
}
