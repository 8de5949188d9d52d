import { connectorOf, contactTerminal, memberOf, sayTerminal, type Terminal } from '../../assembly';
import type { ConnectorEntry } from '../../catalogue';
import { schoolsOf } from '../../lead';
import { shellWanted } from '../../wiring';
import { groundTerminal, isLive, type Channel } from '../../situation';
import { sideOfEnd } from '../sides';
import type { Finding, LeadInUse, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

const isBonded = ({ bonded }: ConnectorEntry): boolean =>
  bonded?.some((bond) => bond.includes('shell')) ?? false;

export const shellSchool: Rule = {
  id: 'shell-school',
  what: 'A shell that is not as the school of this lead has it.',
  source: 'the school of the shell; AES48 for equipment (cited, from memory)',
  find(used) {
    const { assembly, lead } = used;
    const school = schoolsOf(lead).shell;
    const { channels, links } = used.situation;
    const tests = links.length === 0 || channels.some(({ port }) => port.signal === 'test');
    return assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end): readonly Found[] => {
        const connector = connectorOf(assembly, end);
        const shell = contactTerminal(end.id, 'shell');
        if (!connector?.shell || isBonded(connector)) return [];
        // A barrel is one piece of metal: its shell is joined where either end’s is, and by the make of a jack in it.
        const inBarrel = body.kind === 'barrel' ? body.ends.map((each) => connectorOf(assembly, each)) : [];
        if (inBarrel.some((each) => each && isBonded(each))) return [];
        // What only tests proves contact 1, and a shell that goes round it would hide that it is open.
        if (tests) return [];
        const grounds = groundsAt(used, end.id);
        const net = used.netlist.netOf.get(shell);
        const met = net?.contacts.filter((each) => memberOf(each) !== 'shell') ?? [];
        const joined = met.length > 0;
        // What it is joined to may be the ground of another end, where its own is open.
        const own = grounds.length === 1 && (!joined || grounds.some((each) => met.includes(each)));
        const [ground] = own ? grounds : met;
        // A signal on the shell is another rule’s; grounds of its own for each channel leave the shell to itself.
        if (
          ground === undefined ||
          used.miswired.some(
            (each) => each.is === 'stray' && each.contact === shell && each.with && isLive(each.with.role),
          )
        )
          return [];
        const asks = body.kind === 'barrel' ? body.ends : [end];
        const wants = asks.some(
          (each) =>
            groundsAt(used, each.id).length === 1 &&
            connectorOf(assembly, each)?.shell &&
            shellWanted(school, sideOfEnd(used, each.id), connectorOf(assembly, each)?.gender),
        );
        if (joined === wants) return [];
        return [
          {
            severity: 'caution',
            says: joined
              ? `The shell of end ${end.id} is joined to ${sayTerminal(assembly, ground)}, and by the school of this lead it is left open.`
              : `The shell of end ${end.id} is open, and by the school of this lead it is joined to ${sayTerminal(assembly, ground)}.`,
            because: joined
              ? 'A shell that is joined and touches another, or a truss, makes a ground loop.'
              : 'A shell that is joined nowhere screens nothing, and its neighbour in the row is built otherwise.',
            hear: joined
              ? 'A hum that comes and goes with what the shell lies on.'
              : 'Nothing at first; buzz when the connector is held.',
            about: shell,
            at: [shell, ground],
            remedies: remedy(used, shell, ground, joined),
          },
        ];
      }),
    );
  },
};

/** The contacts that are ground at an end: one, where its channels share it. */
const groundsAt = ({ situation }: LeadInUse, end: string): readonly Terminal[] => [
  ...new Set(
    situation.channels
      .filter((channel: Channel) => channel.end === end)
      .flatMap((channel) => groundTerminal(channel) ?? []),
  ),
];

function remedy(
  { assembly }: LeadInUse,
  shell: Terminal,
  ground: Terminal,
  joined: boolean,
): Found['remedies'] {
  if (!joined)
    return [
      {
        says: `Join ${shell} to ${ground}`,
        change: { kind: 'edit', edit: { kind: 'join', terminals: [ground, shell], how: 'link' } },
      },
    ];
  const link = assembly.bodies
    .flatMap((body) => body.joints)
    .find((joint) => joint.terminals.includes(shell));
  return link
    ? [
        {
          says: `Part ${shell} from ${ground}`,
          change: { kind: 'edit', edit: { kind: 'separate', terminals: [shell] } },
        },
      ]
    : [];
}
