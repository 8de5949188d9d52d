import type { ConnectorEntry } from '../catalogue';
import { connectorOf as entryOf, type Held, type HeldEnd, type HeldReading } from './types';
import { bad, good, parseResistance, type Problem, type Result } from '../quantity';
import { connectorCalled } from '../wiring';

const MOST_ENDS = 9;

/** A jack of which nothing else was said has a ring where something is said to be on it. */
const settled = (family: string, id: string, text: string): string =>
  family === 'jack' ? (new RegExp(`\\b${id}\\.R\\b`, 'i').test(text) ? 'trs635' : 'ts635') : family;

/** An end: “A xlr female”, “B: 6.35 mm TRS plug”. */
const END = /^([A-Z])\s*[:=]?\s+(\S.*)$/i;
const CONTACTS = /^[A-Z]\.\S+(?:[\s,;|=–-]+[A-Z]\.\S+)*$/i;
/** What is read between two contacts: “A.T B.2 10k”, “A.T – B.2: 470 Ω”. */
const READING = /^([A-Z]\.[^\s,;|=:–]+)[\s,;|=–-]+([A-Z]\.[^\s,;|=:–]+)\s*[:=]?\s+(\d.*)$/i;
/** What a meter beeps at: below that two contacts meet, Ω (common practice). */
const BEEPS = 2;

/** A contact as its end has it, whatever its letters’ case. */
function contactIn({ contacts }: HeldEnd, name: string): string | undefined {
  return (
    contacts.find((each) => each === name) ??
    contacts.find((each) => each.toLowerCase() === name.toLowerCase())
  );
}

type Report = (code: string, says: string, path: string) => void;
interface Line {
  readonly text: string;
  readonly path: string;
}

const linesOf = (text: string): readonly Line[] =>
  text
    .split('\n')
    .map((line, n) => ({ text: line.replace(/#.*/, '').trim(), path: `line ${n + 1}` }))
    .filter((line) => line.text !== '');

/** The ends that lines say, each of another letter. */
function endsIn(lines: readonly Line[], text: string, report: Report): readonly HeldEnd[] {
  const ends = new Map<string, HeldEnd>();
  for (const { text: line, path } of lines) {
    const [, letter = '', words = ''] =
      CONTACTS.test(line) || READING.test(line) ? [] : (END.exec(line) ?? []);
    if (words === '') continue;
    const id = letter.toUpperCase();
    const said = connectorCalled(words.toLowerCase());
    const entry = said && entryOf(settled(said.family, id, text), said.gender);
    if (!said || !entry)
      report(
        'described.connector',
        `“${words}” is no connector that Antler knows: say it like XLR female, 6.35 TRS, phono.`,
        path,
      );
    else if (ends.has(id)) report('described.ends', `End ${id} is there twice.`, path);
    else
      ends.set(id, {
        id,
        family: entry.family,
        ...(said.gender ? { gender: said.gender } : {}),
        contacts: [...entry.contacts.map((each) => each.id), ...(entry.shell ? ['shell'] : [])],
      });
  }
  return [...ends.values()];
}

/** The ends that are said so far, each with its connector: lines that say none, or none that is known, are passed over. */
export const heldEnds = (
  text: string,
): readonly { readonly id: string; readonly connector: ConnectorEntry }[] =>
  endsIn(linesOf(text), text, () => undefined).flatMap(({ id, family, gender }) => {
    const connector = entryOf(family, gender);
    return connector ? [{ id, connector }] : [];
  });

/**
 * Reads what is in the hand, a line for each end with its connector and a line for each group of contacts that beep to each
 * other, in any order, or for what is read between two of them; `#` begins a remark. What is in no line meets nothing.
 *
 *     A xlr female
 *     B 6.35 TS
 *     A.2 B.T
 *     A.1 A.3 B.S
 *
 * Errors name the line: `described.line`, `described.ends`, `described.connector`, `described.contact`.
 */
export function readHeld(text: string): Result<Held> {
  const problems: Problem[] = [];
  const lines = linesOf(text);
  const report: Report = (code, says, path) => void problems.push({ code, says, path });
  const ends = new Map(endsIn(lines, text, report).map((end) => [end.id, end]));
  const contactOf = (said: string, path: string): string => {
    const end = ends.get(said[0]?.toUpperCase() ?? '');
    const contact = end && contactIn(end, said.slice(2));
    if (contact === undefined)
      report(
        'described.contact',
        end
          ? `End ${end.id} has no contact “${said.slice(2)}”: it has ${end.contacts.join(', ')}.`
          : `There is no end ${said[0] ?? ''}: give it a line of its own, like A xlr female.`,
        path,
      );
    return `${end?.id ?? ''}.${contact ?? ''}`;
  };
  const readings: HeldReading[] = [];
  const nets = lines.flatMap(({ text: line, path }): Held['nets'] => {
    const read = READING.exec(line);
    if (read) {
      const [, one = '', other = '', value = ''] = read;
      const ohms = parseResistance(value, path);
      if (!ohms.ok) problems.push(...ohms.problems);
      const contacts = [contactOf(one, path), contactOf(other, path)] as const;
      if (ohms.ok && ohms.value < BEEPS) return [contacts];
      if (ohms.ok && Number.isFinite(ohms.value)) readings.push({ contacts, ohms: ohms.value });
      return [];
    }
    if (!CONTACTS.test(line)) {
      if (!END.test(line))
        report(
          'described.line',
          `“${line}” is neither an end (A xlr female) nor contacts that meet (A.2 B.2), nor what is read between two (A.T B.2 10k).`,
          path,
        );
      return [];
    }
    return [(line.match(/[A-Z]\.[^\s,;|=]+/gi) ?? []).map((each) => contactOf(each, path))];
  });
  if (problems.length === 0 && (ends.size < 2 || ends.size > MOST_ENDS))
    return bad(
      'described.ends',
      ends.size === 1
        ? 'A lead has two ends or more, and there is one: a plug by itself is begun below as “One plug and nothing else”.'
        : `A lead has two to ${MOST_ENDS} ends, and there are ${ends.size}.`,
      'ends',
    );
  return problems.length > 0
    ? { ok: false, problems }
    : good({ ends: [...ends.values()], nets: joined(nets), readings });
}

/** Groups that share a contact made one. */
function joined(nets: readonly (readonly string[])[]): readonly (readonly string[])[] {
  return nets.reduce<readonly (readonly string[])[]>((so, net) => {
    const touched = so.filter((each) => each.some((contact) => net.includes(contact)));
    return [
      ...so.filter((each) => !touched.includes(each)),
      [...new Set([...touched.flat(), ...net])].sort(),
    ];
  }, []);
}
