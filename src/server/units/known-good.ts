import type { Database } from '../db';
import { missing } from '../refused';
import { unitEntry } from './entries';
import * as rows from './rows';

/** What a unit read that is proven: what another of the same lead is measured beside. */
export interface KnownGood {
  readonly number: number;
  /** Ω by the id of the probe; nothing of what was answered without a figure, or is open. */
  readonly ohms: Readonly<Record<string, number>>;
}

/** So many units are looked at, from the newest. */
const MOST_LOOKED_AT = 3;

/**
 * The newest other unit of the same revision that its readings prove good, nothing excepted; none where there is none. One that was passed unmeasured is
 * none. Errors: 404.
 */
export async function knownGood(db: Database, id: string): Promise<{ readonly good: KnownGood | null }> {
  const unit = await rows.unit(db, id);
  if (!unit) throw missing('unit');
  const others = (await rows.unitsOf(db, unit.leadId))
    .filter(
      (other) => other.id !== id && other.revision === unit.revision && other.state.done.includes('prove'),
    )
    .reverse()
    .slice(0, MOST_LOOKED_AT);
  for (const other of others) {
    const { verdict } = await unitEntry(db, other.id);
    if (verdict.is !== 'good') continue;
    const readings = await rows.readingsAfter(db, other.id, other.state.mended);
    const figures = readings.flatMap(({ probe, answer }) =>
      answer.kind === 'ohms' && Number.isFinite(answer.ohms) ? [[probe, answer.ohms] as const] : [],
    );
    if (figures.length > 0) return { good: { number: other.number, ohms: Object.fromEntries(figures) } };
  }
  return { good: null };
}
