import { isMeasured, type CableEntry } from '../catalogue';
import { capital, type Problem, type Result } from '../quantity';
import type { ChannelPair } from '../situation';
import { amongOf, askEnd, type EndPlace } from './ask-end';
import { unitsOf } from './cores';
import { readIntent, type Form, type Intent } from './intent';
import { routeOf } from './links';
import { resolveSchools } from './schools';
import type { Ask, AskEnd } from './types';

/** Whether an end both sends and receives, so that what faces it may do either. */
const bothWays = (end: AskEnd): boolean => new Set(end.channels.map((channel) => channel.direction)).size > 1;

/** Reads an intent: its shape, that everything it names is in the catalogue and goes together, and what goes where. */
export function readAsk(document: unknown): Result<Ask> {
  const read = readIntent(document);
  return read.ok ? askOf(read.value) : read;
}

/** The same of an intent whose shape is known. */
export function askOf(intent: Intent): Result<Ask> {
  const form = intent.form ?? 'lead';
  const among = amongOf(intent.own);
  const problems: Problem[] = [];
  const cable = among.cables.find((entry) => entry.id === intent.cable);
  const sideOf = (side: 'from' | 'to'): readonly AskEnd[] =>
    intent[side].flatMap((end, n) => askEnd(end, placeOf(intent, side, n, cable), among, problems) ?? []);
  const from = sideOf('from');
  const to = sideOf('to');
  const ends = [...from, ...to];
  problems.push(
    ...missingEnds(intent, form),
    ...wrongWay(ends, form),
    ...onTheMeter(ends, form),
    ...(form === 'lead' ? cableProblems(intent, cable, from, to) : []),
  );
  if (problems.length > 0) return { ok: false, problems };
  const mixed = mixedInsert(ends);
  if (mixed.length > 0) return { ok: false, problems: mixed };
  const links = routeOf(ends);
  if (!links.ok) return links;
  problems.push(...(form === 'lead' ? sameSide(ends, links.value) : []));
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      intent,
      form,
      ends,
      from,
      to,
      channels: ends.flatMap((end) => end.channels),
      links: links.value,
      ...(cable ? { cable } : {}),
      schools: resolveSchools(intent.schools),
    },
  };
}

/** Where an end stands, and what goes into it. */
export function placeOf(
  intent: Intent,
  side: 'from' | 'to',
  n: number,
  cable: CableEntry | undefined,
): EndPlace {
  const { form = 'lead', surroundings } = intent;
  const across = intent[side === 'from' ? 'to' : 'from'].length;
  const units = cable ? unitsOf(cable).length : 1;
  // What has a unit for each goes as one cable to the break-out; else each end across has a cable of its own.
  const cables = intent[side].length > 1 || (units > 1 && units >= across) ? 1 : Math.max(1, across);
  return {
    side,
    n,
    before: side === 'from' ? 0 : intent.from.length,
    form,
    surroundings,
    cables,
    ...(form === 'lead' && cable?.jacketMm !== undefined ? { jacketMm: cable.jacketMm } : {}),
  };
}

/** Something at both ends; a plug alone has one. */
function missingEnds({ from, to }: Intent, form: Form): readonly Problem[] {
  const problem = (says: string, path: string): readonly Problem[] => [{ code: 'intent.ends', says, path }];
  if (from.length + to.length === 0)
    return problem('Say what the lead comes from and goes to.', 'intent.from');
  if (form !== 'plug' && (from.length === 0 || to.length === 0))
    return problem(
      'It needs something at both ends; only a plug stands alone.',
      from.length === 0 ? 'intent.from' : 'intent.to',
    );
  return form === 'plug' && from.length + to.length > 1
    ? problem('One plug and nothing else has one end: take the others out, or make it a lead.', 'intent.form')
    : [];
}

/** What lies on the meter is for a plug that stands alone: a lead goes to equipment. */
const onTheMeter = (ends: readonly AskEnd[], form: Form): readonly Problem[] =>
  form === 'plug'
    ? []
    : ends
        .filter(({ port }) => isMeasured(port))
        .map(({ port, path }) => ({
          code: 'intent.measured',
          says: `${capital(port.name)} is what a shorting plug goes on: make it one plug and nothing else, or say what it is plugged into.`,
          path: `${path}.port`,
        }));

/** Outputs come first and inputs last, unless some end is both. */
function wrongWay(ends: readonly AskEnd[], form: Form): readonly Problem[] {
  if (form === 'plug' || ends.some(bothWays)) return [];
  return ends.flatMap((end): Problem[] => {
    return sends(end) === (end.side === 'from')
      ? []
      : [
          {
            code: 'intent.direction',
            says: `${end.port.name} is an ${sends(end) ? 'out' : 'in'}put: the first ends must be outputs and the others inputs.`,
            path: `${end.path}.port`,
          },
        ];
  });
}

/** A lead needs a cable that is known and fits, and a length that is more than its connectors take. */
function cableProblems(
  intent: Intent,
  cable: CableEntry | undefined,
  from: readonly AskEnd[],
  to: readonly AskEnd[],
): readonly Problem[] {
  const problems: Problem[] = [];
  if (!cable)
    problems.push({
      code: 'intent.cable',
      says: `“${intent.cable}” is not a cable that Antler knows: choose one from the list.`,
      path: 'intent.cable',
    });
  if (!intent.length)
    problems.push({
      code: 'intent.length',
      says: 'A length is needed: write it like 6 m or 20 ft.',
      path: 'intent.length.mm',
    });
  problems.push(...tooShort(intent, from, to));
  if (cable?.jacketMm !== undefined && intent.through && cable.jacketMm > intent.through.mm)
    problems.push({
      code: 'intent.through',
      says: `The cable is ${cable.jacketMm} mm thick and does not go through ${intent.through.mm} mm.`,
      path: 'intent.through.mm',
    });
  return problems;
}

/** Cable runs from one side to the other: what would have to go from an end to another beside it has none. */
function sameSide(ends: readonly AskEnd[], links: readonly ChannelPair[]): readonly Problem[] {
  const endOf = (id: string): AskEnd | undefined => ends.find((end) => end.id === id);
  return links.flatMap((link): Problem[] => {
    const [out, into] = [endOf(link.out.end), endOf(link.in.end)];
    return out && into && out.side === into.side
      ? [
          {
            code: 'intent.side',
            says: `${out.port.name} would go to ${into.port.name}, and both are on the same side: put one of them on the other.`,
            path: `${out.path}.port`,
          },
        ]
      : [];
  });
}

/** An insert is a send and its return, and a lead of its own: what stands beside it, or is a third thing across, is too much. */
function mixedInsert(ends: readonly AskEnd[]): readonly Problem[] {
  const insert = ends.find((end) => end.port.format === 'insert');
  if (!insert) return [];
  const across = ends.filter((end) => end.side !== insert.side);
  const other =
    ends.find((end) => end.side === insert.side && end !== insert) ??
    across.find((end, n) => across.slice(0, n).some((before) => sends(before) === sends(end)));
  return other
    ? [
        {
          code: 'intent.insert',
          says: `An insert has a lead of its own, send and return: make another for ${other.port.name}.`,
          path: `${other.path}.port`,
        },
      ]
    : [];
}

const sends = (end: AskEnd): boolean => end.channels[0]?.direction === 'sends';

/** Jacket left over after connectors and legs has to be long enough to be a lead, mm. */
const LEAST_JACKET = 30;

function tooShort(
  { length, legs }: Intent,
  from: readonly AskEnd[],
  to: readonly AskEnd[],
): readonly Problem[] {
  if (!length) return [];
  const datum = length.datum;
  const reach = (ends: readonly AskEnd[]): number =>
    datum === 'jacket' ? 0 : Math.max(0, ...ends.map((end) => end.connector?.reachMm?.[datum] ?? 0));
  const taken = reach(from) + reach(to);
  const least = taken + LEAST_JACKET + (legs?.mm ?? 0);
  if (length.mm > least || taken === 0) return [];
  return [
    {
      code: 'intent.length',
      says: legs
        ? `Connectors and legs take up ${Math.round(least - LEAST_JACKET)} mm of that by themselves: ask for more than ${Math.round(least)} mm.`
        : `The two connectors take up ${taken} mm of that by themselves: ask for more than ${least} mm.`,
      path: 'intent.length.mm',
    },
  ];
}
