import type { Migration } from 'kysely';
import { first } from './0001-first';
import { workshop } from './0002-workshop';
import { documents } from './0003-documents';
import { once } from './0004-once';
import { away } from './0005-away';
import { unitsOfLead } from './0006-units-of-lead';
import { summaries } from './0007-summaries';
import { plugs } from './0008-plugs';
import { picks } from './0009-picks';
import { prices } from './0010-prices';
import { shelf } from './0011-shelf';
import { making } from './0012-making';
import { sold } from './0013-sold';
import { cutting } from './0014-cutting';
import { stage } from './0015-stage';

/** In the order they are run; a name, once released, is never changed. */
export const MIGRATIONS: Readonly<Record<string, Migration>> = {
  '0001-first': first,
  '0002-workshop': workshop,
  '0003-documents': documents,
  '0004-once': once,
  '0005-away': away,
  '0006-units-of-lead': unitsOfLead,
  '0007-summaries': summaries,
  '0008-plugs': plugs,
  '0009-picks': picks,
  '0010-prices': prices,
  '0011-shelf': shelf,
  '0012-making': making,
  '0013-sold': sold,
  '0014-cutting': cutting,
  '0015-stage': stage,
};
