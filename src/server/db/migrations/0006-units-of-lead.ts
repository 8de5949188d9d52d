import { sql, type Kysely, type Migration } from 'kysely';

/** The units of a lead are looked for with every lead that is opened or exported. */
export const unitsOfLead: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create index unit_lead on unit (lead_id, number)`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop index unit_lead`.execute(db);
  },
};
