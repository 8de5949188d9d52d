import {
  bodyOfEnd,
  connectorOf,
  contactTerminal,
  endById,
  type Assembly,
  type Body,
  type End,
} from '../assembly';
import { viewOf, type ConnectorEntry } from '../catalogue';
import type { DrawnContact, PeeledEnd } from './drawn';
import type { Point } from './point';

const FALLBACK_RADIUS = 8;
/** From so many contacts on, in two rows, a connector has a D shell. */
const MANY = 9;
/** From the outermost contacts to the shell, mm (nominal). */
const SHELL = { beside: 6, beyond: 3.2 } as const;

function rowsOf(contacts: readonly Point[]): PeeledEnd['rows'] {
  const heights = [...new Set(contacts.map(({ y }) => y))].sort((a, b) => b - a);
  const [upper, lower] = heights;
  if (contacts.length < MANY || heights.length !== 2 || upper === undefined || lower === undefined)
    return undefined;
  const half = (row: number): number =>
    Math.max(...contacts.filter(({ y }) => y === row).map(({ x }) => Math.abs(x))) + SHELL.beside;
  return [
    { half: half(upper), y: upper + SHELL.beyond },
    { half: half(lower), y: lower - SHELL.beyond },
  ];
}

/** What a face has none of. */
export const NOTHING_PEELED = {
  links: [],
  conductors: [],
  parts: [],
  air: [],
  jackets: [],
  numbers: [],
} as const;

/** The insert of an end with its contacts, from one side, to scale. */
export function baseOf(
  end: End,
  body: Body,
  connector: ConnectorEntry,
  side: 'solder' | 'mating',
  toward: 1 | -1,
): Omit<PeeledEnd, keyof typeof NOTHING_PEELED> {
  const contacts = viewOf(connector, side).map((place): DrawnContact => {
    const entry = connector.contacts.find((each) => each.id === place.contact);
    const terminal = contactTerminal(end.id, place.contact);
    return {
      id: place.contact,
      terminal,
      x: place.x,
      y: place.y,
      radius: (entry?.boreMm ?? 2) / 2,
      takes: entry?.takes ?? 'cup',
      joints: body.joints.filter(({ terminals }) => terminals.includes(terminal)).map(({ id }) => id),
    };
  });
  const rows = rowsOf(contacts);
  return {
    end: end.id,
    side,
    toward,
    insertRadius: connector.views?.insertRadiusMm ?? FALLBACK_RADIUS,
    keyed: connector.views?.keyed ?? false,
    contacts,
    ...(rows ? { rows } : {}),
  };
}

/** An end from the front, as the closed lead is looked at. Undefined for one with no connector, or whose view is not known. */
export function matingFace(assembly: Assembly, endId: string): PeeledEnd | undefined {
  const end = endById(assembly, endId);
  const body = bodyOfEnd(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  return end && body && connector?.views
    ? { ...baseOf(end, body, connector, 'mating', 1), ...NOTHING_PEELED }
    : undefined;
}
