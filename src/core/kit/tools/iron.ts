import { connectorOf, isSoldered, needsSolder, spansAt } from '../../assembly';
import type { Dressed } from '../../dressing';
import type { Schools } from '../../wiring';
import type { Tool, ToolRule } from './types';

interface Setting {
  readonly id: string;
  readonly on: string;
  readonly tip: string;
  /** Tip temperature, °C, and how long it stays, s. */
  readonly celsius: readonly [number, number];
  readonly seconds: string;
  readonly source: string;
}

/** Iron by joint (handbook, section 15: common practice, the last two from memory). */
const SETTINGS = {
  tab: {
    id: 'tab',
    on: '3.5 mm tabs',
    tip: 'needle',
    celsius: [330, 350],
    seconds: '1 to 2 s',
    source: 'common practice',
  },
  phono: {
    id: 'phono',
    on: 'phono plugs',
    tip: '2 to 3 mm chisel, a heat-sink clip on the centre pin',
    celsius: [343, 343],
    seconds: '2 s',
    source: 'common practice',
  },
  cup: {
    id: 'cup',
    on: 'XLR cups',
    tip: '2 to 3 mm chisel',
    celsius: [350, 370],
    seconds: '2 to 3 s',
    source: 'common practice',
  },
  pad: {
    id: 'pad',
    on: 'pads and larger metal inside a device',
    tip: 'wide chisel, and more power: 50 W rather than 30',
    celsius: [350, 370],
    seconds: '2 to 3 s',
    source: 'common practice',
  },
  small: {
    id: 'small',
    on: 'small cups',
    tip: '1 to 1.6 mm chisel',
    celsius: [340, 360],
    seconds: '1 to 2 s',
    source: 'from memory',
  },
  jack: {
    id: 'jack',
    on: 'tabs and lugs',
    tip: '2 to 3 mm chisel',
    celsius: [350, 370],
    seconds: '2 to 3 s',
    source: 'from memory',
  },
} as const satisfies Record<string, Setting>;

/** Which of them the joints of a body ask for. */
function settingOf(family: string, takes: string | undefined): Setting {
  if (/s35$/.test(family)) return SETTINGS.tab;
  if (family.startsWith('phono')) return SETTINGS.phono;
  if (family.startsWith('xlr')) return SETTINGS.cup;
  if (takes === 'pad') return SETTINGS.pad;
  return /^(?:d25|din)/.test(family) ? SETTINGS.small : SETTINGS.jack;
}

/** Lead-free melts about 30 °C higher: a little hotter (from memory). Silver-bearing on phono plugs 350 to 400 °C. */
function celsiusFor(setting: Setting, solder: Schools['solder']): readonly [number, number] {
  if (solder === 'silver' && setting.id === 'phono') return [350, 400];
  const more = solder === 'lead-free' ? 20 : 0;
  return [setting.celsius[0] + more, setting.celsius[1] + more];
}

/** An iron for each kind of joint, with its tip and its temperature. */
export const irons: ToolRule = (assembly, schools) => {
  const at = new Map<string, { readonly setting: Setting; readonly ends: string[] }>();
  for (const body of assembly.bodies) {
    if (!body.joints.some((joint) => isSoldered(assembly, joint))) continue;
    for (const end of body.ends) {
      const connector = connectorOf(assembly, end);
      if (!connector) continue;
      const setting = settingOf(connector.family, connector.contacts[0]?.takes);
      const before = at.get(setting.id);
      if (before) before.ends.push(end.id);
      else at.set(setting.id, { setting, ends: [end.id] });
    }
  }
  return [...at.values()].map(({ setting, ends }): Tool => {
    const [from, to] = celsiusFor(setting, schools.solder);
    return {
      id: `iron-${setting.id}`,
      what: `Iron for ${setting.on}, at end ${ends.join(', ')}`,
      set: `${setting.tip}; ${from === to ? from : `${from} to ${to}`} °C, ${setting.seconds}`,
      because: `Hotter and shorter beats cooler and longer (${setting.source}).`,
    };
  });
};

/** Something cold on the conductor, where plastic is near: on a 3.5 mm plug and a phono plug. */
export const heatSink: ToolRule = (assembly) => {
  const small = assembly.bodies.flatMap((body) =>
    body.joints.some((joint) => isSoldered(assembly, joint))
      ? body.ends.filter((end) => /s35$|^phono/.test(connectorOf(assembly, end)?.family ?? ''))
      : [],
  );
  return small.length > 0
    ? [
        {
          id: 'heat-sink',
          what: 'Heat-sink clip',
          because: `The plastic of end ${small.map(({ id }) => id).join(', ')} is small: clip at the insulation of the conductor being worked, moved along.`,
        },
      ]
    : [];
};

/** The diameter of solder that suits the smallest joint: about 1 mm for cups, thinner for tabs (handbook, section 9). */
export function solderMm(assembly: Dressed, schools: Schools): string {
  const at = irons(assembly, schools).map(({ id }) => id);
  const isThin = at.some((id) => id === 'iron-tab' || id === 'iron-small');
  if (!isThin) return '1 mm';
  return at.length > 1 ? '1 mm for cups, 0.7 mm for what is small' : '0.7 mm';
}

/** What lacquer asks for. */
export const lacquer: ToolRule = (assembly: Dressed) =>
  assembly.uses.cables.some(({ kind }) => kind === 'litz') &&
  assembly.bodies.some((body) => spansAt(assembly, body.id).length > 0)
    ? [
        {
          id: 'iron-lacquer',
          what: 'Iron for burning lacquer off',
          set: '370 to 400 °C, in a hot blob of solder',
          because: 'Lacquer goes at about that (from memory); practise on an offcut.',
        },
      ]
    : [];

/** Flux beside the solder’s own, where the school has it. */
export const extraFlux: ToolRule = (assembly, schools) =>
  schools.flux === 'extra' && needsSolder(assembly)
    ? [
        {
          id: 'flux',
          what: 'Rosin flux, and what washes it off',
          because: 'Old or dull metal takes at once; what is left of it is sticky. Never acid flux.',
        },
      ]
    : [];
