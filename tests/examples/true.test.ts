import { describe, expect, it } from 'vitest';
import { connectorOf, endsOf, type Assembly } from '../../src/core/assembly';
import { COLOURS } from '../../src/core/catalogue';
import { derive, type Lead } from '../../src/core/lead';
import { EXAMPLES, leadOf } from './read';
import { TRADE } from './trade';

/** What stands on the sheet of a lead as a reason: of the recipe, of its choices, of each joint and of each core that is left. */
const sentencesOf = ({ assembly, because }: Lead): readonly string[] => [
  ...new Set([
    because.recipe?.why ?? '',
    ...because.reasons.map(({ says }) => says),
    ...because.leftOut.map(({ says }) => says),
    ...assembly.bodies.flatMap(({ joints, existing }) =>
      [...joints, ...(existing ?? [])].flatMap((joint) => joint.because?.says ?? []),
    ),
    ...assembly.unjoined.map((each) => each.because.says),
    ...assembly.dressings.flatMap(({ says }) => says ?? []),
  ]),
];

const kinds = (assembly: Assembly): ReadonlySet<string> =>
  new Set(assembly.bodies.flatMap(({ parts }) => parts.map(({ kind }) => kind)));
const conductors = (assembly: Assembly) => assembly.uses.cables.flatMap((cable) => cable.conductors);
const contactNames = (assembly: Assembly): ReadonlySet<string> =>
  new Set(
    endsOf(assembly).flatMap((end) => (connectorOf(assembly, end)?.contacts ?? []).map(({ name }) => name)),
  );
const families = (assembly: Assembly): string =>
  assembly.uses.connectors.map(({ familyName, family }) => familyName ?? family).join(' ');
const senders = ({ situations }: Lead): number => new Set(situations[0]?.links.map(({ out }) => out)).size;

/** A word, and what of the lead must be so where a sentence has it. What is said of equipment, or denied, is no claim about the lead. */
const CLAIMS: readonly (readonly [
  word: RegExp,
  unless: RegExp,
  holds: (lead: Lead, said: string) => boolean,
])[] = [
  [/\bcapacitor/, /has its own capacitor/, ({ assembly }) => kinds(assembly).has('capacitor')],
  [/\bresistors?\b|\bΩ a channel\b/, /third resistor/, ({ assembly }) => kinds(assembly).has('resistor')],
  [
    /\bthird resistor/,
    /$^/,
    ({ assembly }) =>
      assembly.bodies.some(({ parts }) => parts.filter(({ kind }) => kind === 'resistor').length > 2),
  ],
  [/\b1:1 transformer\b/, /$^/, ({ assembly }) => kinds(assembly).has('transformer')],
  [
    /\b(?:LED|lamp|lights)\b/,
    /$^/,
    ({ assembly }) => kinds(assembly).has('led') || kinds(assembly).has('lamp'),
  ],
  [/\bcells?\b/, /$^/, ({ assembly }) => kinds(assembly).has('battery')],
  [
    /\bscreen\b/,
    /[Nn]o screen|unscreened|has no screen|between them|the screen is (?:a )?part|both sides but the screen/,
    ({ assembly, situations }) =>
      assembly.spans.length === 0 ||
      conductors(assembly).some(({ is }) => is !== 'core') ||
      situations.length === 0,
  ],
  [/\bdrain wire\b/, /$^/, ({ assembly }) => conductors(assembly).some(({ is }) => is === 'drain')],
  [
    /\b(?:tip|ring|sleeve)\b/,
    /sleeved?\b.*(?:wire|shrink)|ring terminal|hot to tip and ring|boot or ring|never tie|^Nothing is tied|in the TRS socket/,
    ({ assembly }, said) =>
      [...said.matchAll(/\b(tip|ring|sleeve)\b/g)].every(([word]) =>
        [...contactNames(assembly)].some((name) => name.startsWith(word)),
      ),
  ],
  [/\bXLR\b/, /$^/, ({ assembly }) => /XLR/.test(families(assembly))],
  [/\bTRS\b/, /in the TRS socket/, ({ assembly }) => /TRS/.test(families(assembly))],
  [/\bbraid/, /woven/, ({ assembly }) => assembly.dressings.some(({ what }) => what === 'braid')],
  [
    /\btwist(?:ed)? pair\b|\bOpposite cores\b/,
    /$^/,
    ({ assembly }) => assembly.uses.cables.some(({ kind }) => kind === 'quad' || kind === 'pair'),
  ],
  [
    /^(\d+) (?:balanced )?outputs into one input/,
    /$^/,
    (lead, said) => Number(/^(\d+)/.exec(said)?.[1]) === senders(lead),
  ],
  [/^Each of (\d+) channels/, /$^/, (lead, said) => Number(/(\d+)/.exec(said)?.[1]) === senders(lead)],
  [
    /\bLeft and right become one\b/,
    /$^/,
    ({ situations }) => new Set(situations[0]?.channels.map(({ label }) => label)).has('left'),
  ],
];

/** Colours that a sentence names as cores: each is on a core of a cable that is used. */
const coloursSaid = (said: string): readonly string[] =>
  [...said.matchAll(/\b([A-Za-z]+)(?:,| and [a-z]+)? (?:is|are|carry) (?:hot|cold|for the|\+|−)/g)]
    .map(([, colour = '']) => colour.toLowerCase())
    .filter((word) => Object.values(COLOURS).some((name) => name.toLowerCase() === word));

const leads: readonly (readonly [name: string, lead: Lead])[] = [
  ...EXAMPLES.map((example) => [example.id, leadOf(example)] as const),
  ...TRADE.flatMap(({ says, intent }) => {
    const made = derive(intent);
    return made.ok ? [[says, made.value] as const] : [];
  }),
];

it('there is something to be held to its word', () => {
  const all = leads.flatMap(([, lead]) => sentencesOf(lead));
  expect(leads.length).toBeGreaterThan(150);
  for (const [word] of CLAIMS)
    expect([word.source, all.some((said) => word.test(said))], word.source).toEqual([word.source, true]);
});

describe.each(leads)('%s', (_, lead) => {
  it('every reason is true of it: its parts, contacts, colours and counts', () => {
    for (const said of sentencesOf(lead)) {
      for (const [word, unless, holds] of CLAIMS)
        if (word.test(said) && !unless.test(said)) expect(holds(lead, said), said).toBe(true);
      const cores = conductors(lead.assembly).map(({ colour }) => COLOURS[colour].toLowerCase());
      for (const colour of coloursSaid(said)) expect(cores, said).toContain(colour);
      for (const [, end] of said.matchAll(/\bend ([A-Z]{1,2})\b/g))
        expect([said, endsOf(lead.assembly).some(({ id }) => id === end)]).toEqual([said, true]);
    }
  });
});
