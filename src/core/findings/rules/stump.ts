import {
  conductorsOf,
  conductorTerminal,
  joinedTerminals,
  placeOf,
  sayConductor,
  sayTerminal,
  type Net,
  type Terminal,
} from '../../assembly';
import { schoolsOf } from '../../lead';
import { capital } from '../../quantity';
import { foremostOn, isLive, rolePlaces, type RolePlace } from '../../situation';
import type { Finding, LeadInUse, Rule } from '../types';
import { sayOf } from './say';

type Found = Omit<Finding, 'rule'>;

/** What each net is, of any use. */
function roleOn({ lead, netlist }: LeadInUse): (net: Net | undefined) => RolePlace | undefined {
  const on = new Map<Net, RolePlace[]>();
  for (const each of lead.situations.flatMap(rolePlaces)) {
    const net = netlist.netOf.get(each.at);
    if (net) on.set(net, [...(on.get(net) ?? []), each]);
  }
  return (net) => foremostOn((net && on.get(net)) ?? []);
}

export const stump: Rule = {
  id: 'stump',
  what: 'A core that is joined at one side and ends in the air at the other; a screen on what it should screen, or on nothing.',
  source: 'common practice',
  find(used) {
    const { assembly, netlist, lead } = used;
    const joined = joinedTerminals(assembly);
    const role = roleOn(used);
    const grounded = groundedSpares(used);
    // What a signal does to one screen it does to all that hang on it: said once.
    const said = new Set<Net>();
    return assembly.spans.flatMap((span) =>
      conductorsOf(assembly, span).flatMap((conductor): readonly Found[] => {
        const sides = [span.from, span.to].map((body) => conductorTerminal(span.id, conductor.id, body));
        const on = sides.filter((at) => joined.has(at));
        const [here] = on;
        if (here === undefined) return [];
        const met = role(netlist.netOf.get(here));
        const live = met !== undefined && isLive(met.role);
        if (conductor.is !== 'core')
          return live
            ? firstOf(said, netlist.netOf.get(here))
              ? [carries(used, here, met)]
              : []
            : met || screensOtherwise(used, here)
              ? []
              : [nowhere(used, here)];
        const far = sides.find((at) => !joined.has(at));
        // A spare core that goes on through a break-out is on nothing.
        if (!met || far === undefined || (!live && grounded) || waits(lead.because.leftOut, met)) return [];
        return [
          {
            severity: 'caution',
            says: `${capital(sayTerminal(assembly, here))} is on ${sayOf(met)}, and ends in the air at the other end.`,
            because: live
              ? 'It adds capacitance, picks up what is around, and its stump finds a contact sooner or later.'
              : 'A core that is joined at one end only does nothing but hold a joint.',
            hear: live ? 'A little more hum; in time a crackle or a short.' : 'Nothing.',
            about: here,
            at: [here, far],
            remedies: [
              {
                says: `Cut back ${sayTerminal(assembly, here)}`,
                change: { kind: 'edit', edit: { kind: 'cut-back', at: here } },
              },
            ],
          },
        ];
      }),
    );
  },
};

/** Whether a net is met for the first time. */
function firstOf(said: Set<Net>, net: Net | undefined): boolean {
  if (!net || said.has(net)) return false;
  said.add(net);
  return true;
}

/** Whether spare cores, or the third strand of a braid, are joined to the screen at one end by the lead’s own school. */
function groundedSpares({ lead, situation }: LeadInUse): boolean {
  const schools = schoolsOf(lead);
  return (
    situation.channels.length > 0 &&
    lead.because.recipe?.id === 'three-strand' &&
    schools['third-strand'] !== 'open'
  );
}

const waits = (leftOut: LeadInUse['lead']['because']['leftOut'], met: RolePlace | undefined): boolean =>
  met !== undefined &&
  leftOut.some(({ out, in: into, role }) => role === 'hot' && [out, into].includes(met.channel.name));

/** A screen whose net has no role may still go on to a device’s case, or to a shell, which is ground where it is plugged in. */
const screensOtherwise = ({ netlist, assembly }: LeadInUse, at: Terminal): boolean =>
  (netlist.netOf.get(at)?.terminals ?? []).some((each) => {
    const place = placeOf(assembly, each);
    return place?.kind === 'case' || (place?.kind === 'contact' && place.contact === 'shell');
  });

const carries = ({ assembly }: LeadInUse, here: Terminal, met: RolePlace): Found => ({
  severity: 'stop',
  says: `${capital(sayTerminal(assembly, here))} carries ${sayOf(met)}.`,
  because: `A ${sayConductor(assembly, here)} is there to stand on ground around the cores: on a signal it screens nothing, and what touches it is heard.`,
  hear: 'Hum and buzz, worse when the lead is held.',
  about: here,
  at: [here],
  remedies: [],
});

const nowhere = ({ assembly }: LeadInUse, here: Terminal): Found => ({
  severity: 'caution',
  says: `${capital(sayTerminal(assembly, here))} is joined, and not to any ground: the screen is on at neither end.`,
  because: 'A screen that stands on nothing screens nothing: it couples what is around into the cores.',
  hear: 'Hum and radio, as with no screen at all.',
  about: here,
  at: [here],
  remedies: [],
});
