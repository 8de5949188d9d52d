import { sweeps, type CurrentSource } from '../../circuit';
import { leadCircuit, loadOhms, withImpedance } from '../../model';
import { figure, sayFarads, sayOhms } from '../figures';
import type { Figure } from '../types';
import { sayChannel } from '../../situation';
import type { Context, SignalLink, FigureKind } from './context';

/** In the place of a source that is not there, Ω. */
const AWAY = 1e12;
/** Less than this is a load that has no capacitance worth a word, F. */
const LEAST = 5e-12;

/**
 * What each source looks into at 1 kHz, lead, parts, inputs and whatever other outputs meet it, together: the resistance and
 * the capacitance beside it. It is measured by 1 A between its contacts, its own source taken away and the others silent.
 */
function impedanceAnew(context: Context): readonly Figure[] {
  const { links } = context;
  const outs = links.filter((link, n) => links.findIndex((each) => each.out === link.out) === n);
  // Where no two outputs meet all can be taken away at once.
  const meet = links.some((one) => links.some((other) => other.in === one.in && other.out !== one.out));
  return (meet ? outs.map((link) => [link]) : outs.length > 0 ? [outs] : []).flatMap((each) =>
    measured(context, each, outs.length === 1),
  );
}

function measured(context: Context, outs: readonly SignalLink[], alone: boolean): readonly Figure[] {
  const { assembly, situation, conditions } = context;
  const away = new Set(outs.map((link) => link.out));
  const bare = leadCircuit(
    assembly,
    {
      ...situation,
      channels: situation.channels.map((each) => {
        const { coil: _, ...port } = each.port;
        return away.has(each.name) ? withImpedance({ ...each, port }, { ohms: AWAY }) : each;
      }),
    },
    { ...conditions, facts: { ...conditions.facts, crossCommonKiloOhms: AWAY, imbalanceOhms: 0 } },
  );
  const probe = (link: SignalLink): string => `I_seen_${link.out}`;
  const probes = outs.flatMap((link): readonly CurrentSource[] => {
    const [a, b] = bare.driven.find((each) => each.channel === link.out)?.between ?? [];
    return a === undefined || b === undefined
      ? []
      : [{ kind: 'current', id: probe(link), a: b, b: a, dc: 0 }];
  });
  const solved = sweeps(
    { elements: [...bare.circuit.elements, ...probes] },
    [1000],
    probes.map((each) => each.id),
    { asked: probes.map(({ a, b }) => ({ voltages: [[a, b]], currents: [] })), orders: context.orders },
  );
  if (!solved.ok) return [];
  return outs.flatMap((link) => {
    const n = probes.findIndex((each) => each.id === probe(link));
    const between = bare.driven.find((each) => each.channel === link.out)?.between;
    if (!between) return [];
    const trace = solved.value[n]?.voltage(...between);
    const [re, im] = [trace?.re[0] ?? 0, trace?.im[0] ?? 0];
    const square = re * re + im * im;
    if (!(square > 0) || square > AWAY) return [];
    // Of the admittance: beside each other, as a source has them.
    const ohms = square / re;
    const farads = -im / square / (2 * Math.PI * 1000);
    const within = alone ? '' : `, ${sayChannel(link.from)}`;
    const wants = link.from.port.wantsPicofarads;
    const inputs = [
      ['load', sayOhms(loadOhms(link.to))],
      ...(link.to.port.picofarads === undefined
        ? []
        : [['capacitance of the input', `${link.to.port.picofarads} pF`] as const]),
    ] as const;
    return [
      figure(
        ['input-impedance', link],
        `load on the source${within}`,
        ohms,
        'Ω',
        sayOhms(ohms),
        '1 ÷ Re(Y) at 1 kHz, whatever else feeds the input silent',
        inputs,
        'by the circuit; impedances as the ports have them',
      ),
      ...(farads < LEAST || link.from.port.signal === 'loudspeaker'
        ? []
        : [
            figure(
              ['capacitance', link],
              `capacitance on the source${within}`,
              farads,
              'F',
              wants ? `${sayFarads(farads)}; ${wants.from} to ${wants.to} pF is wanted` : sayFarads(farads),
              'Im(Y) ÷ 2πf at 1 kHz: the lead and what it is plugged into',
              inputs,
              'by the circuit; capacitance of cables typical, from memory',
            ),
          ]),
    ];
  });
}

/** What was measured of a context: others hang on it. */
const known = new WeakMap<Context, readonly Figure[]>();

/** What each source looks into, worked out once for each context. */
export function impedanceIn(context: Context): readonly Figure[] {
  const figures = known.get(context) ?? impedanceAnew(context);
  known.set(context, figures);
  return figures;
}

/** What each source looks into. */
export const inputImpedance: FigureKind = { kind: 'input-impedance', compute: impedanceIn };
