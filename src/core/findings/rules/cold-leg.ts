import { joinedPoints, type Terminal } from '../../assembly';
import { isBalanced, type ColdLeg } from '../../catalogue';
import { COLD_LEG_RULE } from '../../wiring';
import { pairsOf, roleTerminal } from '../../situation';
import type { Finding, Rule, LeadInUse } from '../types';
import { solvedOf } from './solved';

type Found = Omit<Finding, 'rule'>;

/** Less than this is next to nothing, dB. */
const FAINT = -40;

/** Where the cold contact of an output meets its ground: inside its own connector, further on, or nowhere. */
function coldJoin(used: LeadInUse, cold: Terminal, ground: Terminal): 'source' | 'far' | 'open' {
  const here = joinedPoints(used.assembly);
  if (here.find(cold) === here.find(ground)) return 'source';
  return used.netlist.netOf.get(cold) === used.netlist.netOf.get(ground) ? 'far' : 'open';
}

export const coldLeg: Rule = {
  id: 'cold-leg',
  what: 'A cold leg that is joined otherwise than its output bears at an unbalanced input.',
  source: 'common practice; by the circuit',
  find: (used) =>
    pairsOf(used.situation)
      .filter((pair) => !isBalanced(pair.in.roles))
      .flatMap(({ out: channel }): Found[] => {
        const kind = channel.port.coldLeg;
        const cold = roleTerminal(channel, 'cold');
        const ground = roleTerminal(channel, 'screen');
        if (!kind || !cold || !ground) return [];
        const join = coldJoin(used, cold, ground);
        // Parts carry an open cold leg in their own way; one that is joined is joined whatever hangs on it.
        if (join === 'open' && hasParts(used, cold)) return [];
        const rule = COLD_LEG_RULE[kind];
        const trouble = TROUBLE[kind][join];
        return trouble === undefined
          ? []
          : [
              {
                severity: trouble.severity,
                says: `${trouble.says} at end ${channel.end}, ${channel.port.name}.`,
                because: `${rule.wants}${solvedOf(used, channel, {
                  gain: (says, gain) => (gain < FAINT ? 'next to nothing arrives' : `${says} arrives`),
                  ...(trouble === shorted ? { cold: (says: string) => `${says} goes into that short` } : {}),
                })}`,
                hear: trouble.hear,
                about: channel.end,
                remedies:
                  used.lead.intent?.choices?.['cold'] === undefined
                    ? []
                    : [
                        {
                          says: 'Wire the cold leg as this output wants it',
                          change: { kind: 'clear', path: 'choices.cold' },
                        },
                      ],
              },
            ];
      })
      .filter((found, n, all) => all.findIndex((each) => each.about === found.about) === n),
};

/** Whether a part is on the net, which then carries the cold leg in its own way. */
const hasParts = (used: LeadInUse, terminal: Terminal): boolean => {
  const net = used.netlist.netOf.get(terminal)?.name;
  return used.netlist.parts.some(({ leads }) => Object.values(leads).includes(net ?? ''));
};

type Trouble = Pick<Found, 'severity' | 'says' | 'hear'>;

const shorted: Trouble = {
  severity: 'stop',
  says: 'The cold leg is shorted to ground',
  hear: 'Distortion on loud passages, a hot output stage, in time a dead one.',
};
const unfed: Trouble = {
  severity: 'stop',
  says: 'The cold leg is open, so the winding has no way back',
  hear: 'Next to nothing: thin, quiet, with hum.',
};

/** What is wrong with each way of joining, by the kind of output; where nothing is, there is no entry. */
const TROUBLE: Readonly<Record<ColdLeg, Readonly<Partial<Record<'source' | 'far' | 'open', Trouble>>>>> = {
  'ground-referenced': { source: shorted, far: shorted },
  'cross-coupled': {
    open: {
      severity: 'caution',
      says: 'The cold leg is open',
      hear: 'Uncertain level, and noise or instability from some outputs.',
    },
    far: {
      severity: 'caution',
      says: 'The cold leg meets ground only at the far end',
      hear: 'Radio and hum picked up on the cold core, and some outputs oscillate.',
    },
  },
  transformer: {
    open: unfed,
    source: {
      severity: 'note',
      says: 'The cold leg meets ground at the source, not at the far end',
      hear: 'A little more hum: the screen’s own voltage adds to the signal.',
    },
  },
  'impedance-balanced': {},
};
