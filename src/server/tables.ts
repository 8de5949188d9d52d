import type { JobTables } from './jobs/tables';
import type { RequestTables } from './db/requests';
import type { LeadTables } from './leads/tables';
import type { MakingTables } from './making/tables';
import type { PriceTables } from './prices/tables';
import type { ShelfTables } from './shelf/tables';
import type { StageTables } from './stage/tables';
import type { UnitTables } from './units/tables';
import type { WorkshopTables } from './workshop/tables';

/** Every table of the database: each folder of what is stored brings its own. */
export interface Tables
  extends
    JobTables,
    LeadTables,
    MakingTables,
    PriceTables,
    RequestTables,
    ShelfTables,
    StageTables,
    UnitTables,
    WorkshopTables {}
