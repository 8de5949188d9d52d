import { caseTerminal, placeOf, type Terminal } from '../../assembly';
import { isEarthed } from '../../model';
import { groundTerminal, isLive, pairsOf, rolePlaces, type Channel } from '../../situation';
import type { Finding, LeadInUse, Rule } from '../types';
import { mendings } from '../mend';
import { sayOf } from './say';

type Found = Omit<Finding, 'rule'>;

export const groundLoop: Rule = {
  id: 'ground-loop',
  what: 'Two ways for one ground: the screens of a split between two that are earthed, a chassis with an earth wire and a return.',
  source: 'common practice; AES48 (cited, from memory)',
  find: (used) => [...betweenInputs(used), ...throughChassis(used)],
};

/** The earthed inputs of one output whose grounds the lead makes one. */
function betweenInputs(used: LeadInUse): readonly Found[] {
  const { situation, netlist } = used;
  const pairs = pairsOf(situation);
  const outs = [...new Set(pairs.map(({ out }) => out))];
  return outs.flatMap((out): readonly Found[] => {
    // What a line that goes on ends in nobody knows.
    const inputs = pairs
      .filter(({ out: from, in: { port } }) => from === out && port.direction !== 'either' && isEarthed(port))
      .map((pair) => pair.in);
    const [first, ...others] = inputs;
    const ground = first && groundTerminal(first);
    const net = ground && netlist.netOf.get(ground);
    if (!first || !ground || !net) return [];
    const looped = others.filter((each) => {
      const at = groundTerminal(each);
      return each.end !== first.end && at !== undefined && netlist.netOf.get(at) === net;
    });
    if (looped.length === 0) return [];
    const all = [first, ...looped];
    const names = new Intl.ListFormat('en').format(all.map(({ end }) => end));
    const vehicle = used.situation.surroundings === 'vehicle';
    const loop = vehicle ? 'where both are on the vehicle’s chassis' : 'where they stand on mains earth';
    return [
      {
        severity: 'note',
        says: `The screen makes the grounds of ${names} one: ${loop} it is a loop.`,
        because: `They are joined by the ${vehicle ? 'chassis' : 'mains'} and by this lead: whatever flows round goes along its screens. The screen of all but one may be left open, or a transformer put in.`,
        hear: vehicle
          ? 'A whine that rises with the engine’s speed.'
          : 'A hum or a buzz that goes when one of them is unplugged.',
        about: names,
        at: all.flatMap((each) => groundTerminal(each) ?? []),
        remedies: looped.flatMap((each) => opening(used, each)),
      },
    ];
  });
}

/** Leaving the screen open at an end: the conductors that are on its ground there come off it. */
function opening({ assembly }: LeadInUse, into: Channel): Found['remedies'] {
  const ground = groundTerminal(into);
  const body = assembly.bodies.find((each) => each.ends.some((end) => end.id === into.end));
  const joint = body?.joints.find((each) => ground !== undefined && each.terminals.includes(ground));
  const screens = joint?.terminals.filter((each) => isScreen(assembly, each)) ?? [];
  return screens.length === 0
    ? []
    : [
        {
          says: `Leave the screen open at end ${into.end}`,
          change: { kind: 'edit', edit: { kind: 'separate', terminals: screens } },
        },
      ];
}

function isScreen(assembly: LeadInUse['assembly'], terminal: Terminal): boolean {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'conductor' && place.conductor.is !== 'core';
}

/** A chassis that gets to earth by a wire of its own, and by the return of a channel. */
function throughChassis(used: LeadInUse): readonly Found[] {
  const { assembly, situation, netlist, miswired } = used;
  return assembly.bodies
    .filter((body) => body.case)
    .flatMap((body): readonly Found[] => {
      const at = caseTerminal(body.id);
      const net = netlist.netOf.get(at);
      const wire = net?.terminals.find((each) => isLooseWire(assembly, each));
      const back = rolePlaces(situation).find(
        (each) => !isLive(each.role) && netlist.netOf.get(each.at) === net,
      );
      return wire === undefined || !back
        ? []
        : [
            {
              severity: 'caution',
              says: `The chassis of the ${body.name} goes to earth twice: by ${wire}, and by ${sayOf(back)}.`,
              because:
                'An earth wire of its own, or returns on the chassis and no earth wire: both together are a ground loop.',
              hear: 'Hum, and more of it with the earth wire on than off.',
              about: at,
              at: [at, wire, back.at],
              remedies: miswired.flatMap((each) =>
                each.is === 'stray' && each.contact === wire ? mendings(used, each) : [],
              ),
            },
          ];
    });
}

function isLooseWire(assembly: LeadInUse['assembly'], terminal: Terminal): boolean {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'contact' && place.end.loose !== undefined;
}

/** Whether a contact is the end of a wire that earths a chassis: what else is on it is a loop. */
export const earthsChassis = ({ assembly, netlist }: LeadInUse, contact: Terminal): boolean =>
  isLooseWire(assembly, contact) &&
  assembly.bodies.some(
    (body) => body.case && netlist.netOf.get(caseTerminal(body.id)) === netlist.netOf.get(contact),
  );
