import {
  bodyOfEnd,
  dress,
  DRESSINGS,
  endById,
  endsOf,
  spanById,
  spansAt,
  type Assembly,
  type DressingWhat,
} from '../../assembly';
import { COLOURS, type CableEntry, type ColourCode, type ConnectorEntry } from '../../catalogue';
import { applyEdit, type Edit } from '.';

/** One thing that can be done by hand with what a lead is made of. */
export interface Making {
  readonly group: 'another connector' | 'put on' | 'take off' | 'the end' | 'another cable';
  /** In words, for lists of them. */
  readonly says: string;
  readonly edit: Edit;
}

/** What marks or covers an end and has no measure of its own to be put on with. */
const PUT_ON: readonly DressingWhat[] = ['ring', 'boot', 'heat-shrink', 'tape', 'label', 'arrow', 'tie'];
/** Colours that rings come in: those of the colour code and of insulation (common practice). */
const RINGS: readonly ColourCode[] = ['RD', 'WH', 'BK', 'BN', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY'];

const a = (name: string): string => `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`;

/** A name for a dressing that nothing in the lead has. */
function freeName({ dressings }: Assembly, wanted: string): string {
  const taken = new Set(dressings.map(({ id }) => id));
  let name = wanted;
  for (let n = 2; taken.has(name); n++) name = `${wanted}-${n}`;
  return name;
}

const putting = (
  assembly: Assembly,
  end: string,
  what: DressingWhat,
  says: string,
  colour?: ColourCode,
): Making => ({
  group: 'put on',
  says,
  edit: {
    kind: 'put-on',
    dressing: dress({
      id: freeName(assembly, `${what}-${end.toLowerCase()}`),
      what,
      over: end,
      says: `${says} on end ${end}`,
      ...(colour === undefined ? {} : { colour }),
    }),
  },
});

/** Everything that an end can be made of otherwise, each of which can be done. `connectors`: those that there are to choose from. */
export function possibleMakings(
  assembly: Assembly,
  id: string,
  connectors: readonly ConnectorEntry[],
): readonly Making[] {
  const end = endById(assembly, id);
  const body = bodyOfEnd(assembly, id);
  if (!end || !body) return [];
  const now = assembly.uses.connectors.find((each) => each.id === end.connector);
  const about = new Set([id, body.id, ...spansAt(assembly, body.id).map((span) => span.id)]);
  const all: readonly Making[] = [
    ...connectors
      .filter((each) => each.family === now?.family && each.id !== now.id && each.mount === now.mount)
      .map((connector): Making => ({
        group: 'another connector',
        says: connector.name,
        edit: { kind: 'change-connector', end: id, connector },
      })),
    ...PUT_ON.flatMap((what) => {
      const name = (DRESSINGS.find((each) => each.what === what)?.name ?? what).toLowerCase();
      return what === 'ring'
        ? RINGS.map((colour) => putting(assembly, id, what, a(`${COLOURS[colour]} ring`), colour))
        : [putting(assembly, id, what, a(name))];
    }),
    ...assembly.dressings
      .filter(({ over }) => about.has(over))
      .map((each): Making => ({
        group: 'take off',
        says: each.says,
        edit: { kind: 'take-off', dressing: each.id },
      })),
    { group: 'the end', says: `take end ${id} off`, edit: { kind: 'remove-end', end: id } },
    {
      group: 'the end',
      says: `leave end ${id} as it came, with its cable: from a donor lead`,
      edit: { kind: 'stay', end: id },
    },
  ];
  return all.filter(({ edit }) => applyEdit(assembly, edit).ok);
}

/** Every other cable that a span can be made of. */
export const possibleCables = (
  assembly: Assembly,
  span: string,
  cables: readonly CableEntry[],
): readonly Making[] => {
  const now = spanById(assembly, span)?.cable;
  return cables
    .filter(({ id }) => id !== now)
    .map((cable): Making => ({
      group: 'another cable',
      says: cable.name,
      edit: { kind: 'change-cable', span, cable },
    }))
    .filter(({ edit }) => applyEdit(assembly, edit).ok);
};

/** What a new end is called: the first letter that no end has. */
export function nextEnd(assembly: Assembly): string {
  const taken = new Set(endsOf(assembly).map(({ id }) => id));
  const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
  return letters.find((letter) => !taken.has(letter)) ?? `Z${taken.size}`;
}
