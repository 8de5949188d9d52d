import { proofBy, type Gear } from '../../core/bench';
import { judge, shortingPlugOf } from '../../core/proving';
import type { Database } from '../db';
import { leadAt } from '../leads/rows';
import { house } from '../workshop/rows';
import * as rows from './rows';

/**
 * What the house measures with: its meter, and the shorting plugs that it has built and whose readings prove them good. One that was passed unmeasured
 * would tell of an open where there is none.
 */
export async function gearOf(db: Database): Promise<Gear> {
  const { meter } = await house(db);
  const plugs = new Set<string>();
  for (const unit of await rows.plugsMade(db)) {
    const lead = await leadAt(db, unit.leadId, unit.revision);
    const mating = lead && shortingPlugOf(lead.assembly);
    if (!mating || plugs.has(mating)) continue;
    const readings = await rows.readingsAfter(db, unit.id, unit.state.mended);
    if (judge(proofBy(unit.plan, lead), readings).is === 'good') plugs.add(mating);
  }
  return { ...(meter ? { instrument: meter } : {}), plugs: [...plugs].sort() };
}
