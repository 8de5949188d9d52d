import { jointsOf, placeOf, sayTerminal, type Assembly, type How, type Terminal } from '../../assembly';
import { isBalanced } from '../../catalogue';
import { channelNamed, notCarried, sayChannel, type Carried } from '../../situation';
import type { LeadInUse, Remedy, Rule } from '../types';

/** A core that comes from one contact and lies loose where the other is: joining it there carries the role. */
function looseNear({ netlist, assembly }: LeadInUse, from: Terminal, to: Terminal): Terminal | undefined {
  const body = placeOf(assembly, to)?.body;
  const joined = new Set(body && jointsOf(body).flatMap((joint) => joint.terminals));
  return netlist.netOf.get(from)?.terminals.find((terminal) => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'conductor' && place.body.id === body?.id && !joined.has(terminal);
  });
}

/** How joints on contacts are made where this one is: as its neighbours are. */
function howAt(assembly: Assembly, contact: Terminal): How {
  const body = placeOf(assembly, contact)?.body;
  const beside = (body ? jointsOf(body) : []).find(
    (joint) =>
      ['cup', 'tab', 'lug', 'pad', 'screw', 'crimp'].includes(joint.how) &&
      joint.terminals.some((terminal) => placeOf(assembly, terminal)?.kind === 'contact'),
  );
  return beside?.how ?? 'cup';
}

function remedies(used: LeadInUse, { from, to }: Carried): readonly Remedy[] {
  const { assembly } = used;
  for (const [here, there] of [
    [from, to],
    [to, from],
  ] as const) {
    const loose = looseNear(used, here, there);
    if (loose === undefined) continue;
    return [
      {
        says: `Join ${sayTerminal(assembly, loose)} to ${there}`,
        change: {
          kind: 'edit',
          edit: { kind: 'join', terminals: [loose, there], how: howAt(assembly, there) },
        },
      },
    ];
  }
  return [];
}

/** What a lead was to carry and does not: nothing that is derived is so, but a change by hand, or a file, may be. */
export const linkNotCarried: Rule = {
  id: 'not-carried',
  source: 'common practice',
  find(used) {
    const { assembly, situation, lead } = used;
    const say = (name: string): string => {
      const channel = channelNamed(situation, name);
      return channel ? sayChannel(channel) : name;
    };
    // Between two balanced sides the screen only screens; anywhere else it is the way back.
    const onlyScreens = ({ role, out, in: into }: Carried): boolean =>
      role === 'screen' &&
      [out, into].every((name) => isBalanced(channelNamed(situation, name)?.roles ?? {}));
    return notCarried(assembly, situation, lead.because.leftOut).map((each) => ({
      severity: onlyScreens(each) ? ('caution' as const) : ('stop' as const),
      says: `The ${each.role} does not get from ${say(each.out)} to ${say(each.in)}: ${each.from} is not joined to ${each.to}.`,
      because: onlyScreens(each)
        ? 'A screen that is open and meant to be joined screens at one end only, and takes the return of phantom with it.'
        : 'A signal needs its way there and its way back.',
      hear: onlyScreens(each)
        ? 'Hum and radio come in more easily; no sound from a microphone that needs phantom.'
        : 'Nothing, or thin and faint sound with hum.',
      about: each.from,
      remedies: remedies(used, each),
    }));
  },
};
