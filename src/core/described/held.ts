import { connectorOf as entryOf, type Held, type HeldEnd } from './types';
import { bad, good, type Problem, type Result } from '../quantity';
import { connectorCalled } from '../wiring';

const MOST_ENDS = 9;

/** A jack of which nothing else was said has a ring where something is said to be on it. */
const settled = (family: string, id: string, text: string): string =>
  family === 'jack' ? (new RegExp(`\\b${id}\\.R\\b`, 'i').test(text) ? 'trs635' : 'ts635') : family;

/** An end: “A xlr female”, “B: 6.35 mm TRS plug”. */
const END = /^([A-Z])\s*[:=]?\s+(\S.*)$/i;
const CONTACTS = /^[A-Z]\.\S+(?:[\s,;|=–-]+[A-Z]\.\S+)*$/i;

/** A contact as its end has it, whatever its letters’ case. */
function contactIn({ contacts }: HeldEnd, name: string): string | undefined {
  return (
    contacts.find((each) => each === name) ??
    contacts.find((each) => each.toLowerCase() === name.toLowerCase())
  );
}

/**
 * Reads what is in the hand, a line for each end with its connector and a line for each group of contacts that beep to each
 * other, in any order; `#` begins a remark. What is in no line meets nothing.
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
  const lines = text
    .split('\n')
    .map((line, n) => ({ text: line.replace(/#.*/, '').trim(), path: `line ${n + 1}` }))
    .filter((line) => line.text !== '');
  const report = (code: string, says: string, path: string): void => void problems.push({ code, says, path });
  const ends = new Map<string, HeldEnd>();
  for (const { text: line, path } of lines) {
    const [, letter = '', words = ''] = CONTACTS.test(line) ? [] : (END.exec(line) ?? []);
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
  const nets = lines.flatMap(({ text: line, path }): (readonly string[])[] => {
    if (!CONTACTS.test(line)) {
      if (!END.test(line))
        report(
          'described.line',
          `“${line}” is neither an end (A xlr female) nor contacts that meet (A.2 B.2).`,
          path,
        );
      return [];
    }
    const met = line.match(/[A-Z]\.[^\s,;|=]+/gi) ?? [];
    const found = met.map((each) => {
      const end = ends.get(each[0]?.toUpperCase() ?? '');
      const contact = end && contactIn(end, each.slice(2));
      if (contact === undefined)
        report(
          'described.contact',
          end
            ? `End ${end.id} has no contact “${each.slice(2)}”: it has ${end.contacts.join(', ')}.`
            : `There is no end ${each[0] ?? ''}: give it a line of its own, like A xlr female.`,
          path,
        );
      return `${end?.id ?? ''}.${contact ?? ''}`;
    });
    return [found];
  });
  if (problems.length === 0 && (ends.size < 2 || ends.size > MOST_ENDS))
    return bad('described.ends', `A lead has two to ${MOST_ENDS} ends, and ${ends.size} are there.`, 'ends');
  return problems.length > 0
    ? { ok: false, problems }
    : good({ ends: [...ends.values()], nets: joined(nets) });
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
