import type { Database } from '../db';
import { atEnd } from '../ending';
import { Refused } from '../refused';
import { house } from '../workshop/rows';
import { MeterAway, MeterLine, type MeterMode } from './line';
import { METER_SOCKETS, socketOf } from './sockets';

/** How long a window that measured has the meter to itself after its last figure, ms. */
const LEASE_MS = 6_000;

/** One figure of the meter, as JSON can carry it: Ω, V or F. */
export interface LiveFigure {
  readonly figure: number | 'OL';
}

/** A line to a meter, and who has it. */
interface Desk {
  readonly line: MeterLine;
  owner: string;
  until: number;
}
const DESKS = new Map<string, Desk>();
atEnd(() => {
  for (const { line } of DESKS.values()) line.close();
  return Promise.resolve();
});

function deskAt(plug: string): Desk {
  const at = socketOf(plug);
  if (!at || !METER_SOCKETS.includes(plug))
    throw new Refused(422, [
      {
        code: 'meter.socket',
        says: `Antler may not speak to “${plug}” any more: choose where the meter is plugged in on the workshop’s page.`,
        path: 'plug',
      },
    ]);
  const desk = DESKS.get(plug) ?? { line: new MeterLine(at), owner: '', until: 0 };
  DESKS.set(plug, desk);
  return desk;
}

const taken = (): Refused =>
  new Refused(409, [
    {
      code: 'meter.taken',
      says: 'The meter is in use in another window. Take it over here, or type what it shows.',
      path: 'owner',
    },
  ]);

/**
 * What the house's meter shows now, measured for this and nothing else. One window has it at a time, until it leaves it alone for a while or another
 * takes it over. Errors: 404 where none is plugged in, 409 where another window has it, 502 where it gives no figure.
 */
export async function liveReading(
  db: Database,
  {
    owner,
    mode,
    take = false,
  }: { readonly owner: string; readonly mode: MeterMode; readonly take?: boolean | undefined },
): Promise<LiveFigure> {
  const { plug } = await house(db);
  if (plug === undefined)
    throw new Refused(404, [
      { code: 'meter.none', says: 'No meter is plugged in: say where on the workshop’s page.', path: 'plug' },
    ]);
  const desk = deskAt(plug);
  if (desk.owner !== owner && !take && Date.now() < desk.until) throw taken();
  desk.owner = owner;
  desk.until = Date.now() + LEASE_MS;
  try {
    const figure = await desk.line.measure(mode);
    // Whoever took it over meanwhile has its leads in the hand.
    if (desk.owner !== owner) throw taken();
    return { figure: figure === Number.POSITIVE_INFINITY ? 'OL' : figure };
  } catch (error) {
    if (error instanceof MeterAway)
      throw new Refused(502, [{ code: 'meter.away', says: error.message, path: '' }]);
    throw error;
  } finally {
    if (desk.owner === owner) desk.until = Date.now() + LEASE_MS;
  }
}
