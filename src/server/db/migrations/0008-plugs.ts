import { sql, type Kysely, type Migration } from 'kysely';

/** Plugs that stand alone are found among all leads: whoever proves a lead is told of the shorting plugs at hand. */
export const plugs: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create index lead_revision_plug on lead_revision (lead_id, revision)
      where document->'intent'->>'form' = 'plug'`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop index lead_revision_plug`.execute(db);
  },
};
