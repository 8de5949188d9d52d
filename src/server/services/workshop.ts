import { CABLES, CONNECTORS, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import { SCHOOLS, type Schools } from '../../core/wiring';
import { inTransaction, type Database } from '../db';
import * as rows from '../repositories/workshop';
import { Refused } from './refused';

/** What belongs to the house: its answers to the schools, and its own connectors and cables. */
export interface Workshop {
  readonly schools: Schools;
  readonly connectors: readonly ConnectorEntry[];
  readonly cables: readonly CableEntry[];
}

export async function workshop(db: Database): Promise<Workshop> {
  const [schools, own] = await Promise.all([rows.schools(db), rows.own(db)]);
  return { schools, ...own };
}

const refuse = (code: string, says: string, path: string): never => {
  throw new Refused(422, [{ code, says, path }]);
};

/** Sets the house's answers. They are what a new lead starts with; leads that exist keep their own. */
export async function putSchools(db: Database, chosen: Schools): Promise<Workshop> {
  for (const [id, answer] of Object.entries(chosen)) {
    const school = SCHOOLS.find((each) => each.id === id);
    if (!school) refuse('school.unknown', `There is no school “${id}”.`, id);
    else if (!school.choices.some((choice) => choice.id === answer))
      refuse(
        'school.choice',
        `“${answer}” is no answer to that: choose ${school.choices.map((choice) => choice.id).join(' or ')}.`,
        id,
      );
  }
  await inTransaction(db, (trx) => rows.putSchools(trx, chosen));
  return workshop(db);
}

/** Keeps a connector of the workshop's own; a family or id of the catalogue's cannot be taken. */
export async function putConnector(db: Database, entry: ConnectorEntry): Promise<Workshop> {
  if (CONNECTORS.some((each) => each.id === entry.id || each.family === entry.family))
    refuse('own.taken', `The catalogue has a “${entry.family}” already: choose another name.`, 'name');
  const ids = entry.contacts.map((contact) => contact.id);
  if (new Set(ids).size < ids.length) refuse('own.contacts', 'Two contacts have the same name.', 'contacts');
  const drawn = entry.views?.mating.map((place) => place.contact) ?? [];
  if (drawn.length > 0 && (drawn.length !== ids.length || !ids.every((id) => drawn.includes(id))))
    refuse('own.views', 'Every contact needs its place on the face.', 'views.mating');
  await inTransaction(db, (trx) => rows.putOwn(trx, 'connector', entry));
  return workshop(db);
}

/** Keeps a cable of the workshop's own; an id of the catalogue's cannot be taken. */
export async function putCable(db: Database, entry: CableEntry): Promise<Workshop> {
  if (CABLES.some((each) => each.id === entry.id))
    refuse('own.taken', `The catalogue has a “${entry.id}” already: choose another name.`, 'name');
  const ids = entry.conductors.map((conductor) => conductor.id);
  if (new Set(ids).size < ids.length)
    refuse('own.conductors', 'Two conductors have the same name.', 'conductors');
  await inTransaction(db, (trx) => rows.putOwn(trx, 'cable', entry));
  return workshop(db);
}

/** Takes one of the workshop's own out of the list; leads that use it carry it themselves. */
export async function removeOwn(db: Database, kind: 'connector' | 'cable', id: string): Promise<Workshop> {
  await inTransaction(db, (trx) => rows.removeOwn(trx, kind, id));
  return workshop(db);
}
