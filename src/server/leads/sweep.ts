import { sql } from 'kysely';
import { db, log } from '../context';
import { atEnd } from '../ending';
import { live } from '../live';
import { isAway, type Database } from '../db';
import * as unitRows from '../units/rows';
import * as rows from './rows';
import { summarise, unsummarised } from './summary';

/** How long after the app began, and how long after something changed, ms. */
const AT_START_MS = 1_000;
const AFTER_CHANGE_MS = 3_000;
/** Working things out ahead must not be felt: it takes at most this share of the time. */
const SHARE = 0.2;

/** Where units stand of which it was not kept. */
async function standOne(house: Database): Promise<boolean> {
  const found = await house
    .selectFrom('unit')
    .select('id')
    .where('stand', 'is', null)
    .limit(1)
    .executeTakeFirst();
  const unit = found && (await unitRows.unit(house, found.id));
  if (!unit) return false;
  await sql`update unit set stand = ${JSON.stringify(unit.stand)} where id = ${unit.id} and stand is null`.execute(
    house,
  );
  return true;
}

/** What could not be worked out is left to whoever asks for it: the others wait for theirs. */
const failed: string[] = [];

async function summariseOne(house: Database): Promise<boolean> {
  const id = await unsummarised(house, failed);
  const stored = id === undefined ? undefined : await rows.leadById(house, id);
  if (!stored) return false;
  try {
    await summarise(house, stored);
  } catch (error) {
    if (isAway(error)) throw error;
    failed.push(stored.id);
    log.warn({ err: error, lead: stored.id }, 'a lead could not be worked out');
  }
  return true;
}

/**
 * Works out ahead what the board shows and is not there: after an upgrade, after a restore, of leads that were taken in. What
 * is asked for before its turn is worked out then.
 */
export function keepSummaries(): void {
  let timer: NodeJS.Timeout | undefined;
  let ended = false;
  const after = (ms: number): void => {
    if (timer || ended) return;
    timer = setTimeout(() => void work(), ms);
    timer.unref();
  };
  const work = async (): Promise<void> => {
    timer = undefined;
    const from = performance.now();
    try {
      const did = (await summariseOne(db())) || (await standOne(db()));
      if (did) after((performance.now() - from) * (1 / SHARE - 1));
    } catch (error) {
      log.warn({ code: (error as { code?: string }).code }, 'working out ahead failed');
    }
  };
  const leave = live().subscribe(() => after(AFTER_CHANGE_MS));
  atEnd(() => {
    ended = true;
    clearTimeout(timer);
    leave();
    return Promise.resolve();
  });
  after(AT_START_MS);
}
