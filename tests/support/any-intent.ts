import {
  asksPinout,
  CABLES,
  channelsOf,
  CONNECTORS,
  familiesFor,
  layoutsFor,
  PORTS,
  type PortKind,
} from '../../src/core/catalogue';
import { FORMS, SCHOOLS, type Intent, type IntentEnd } from '../../src/core/wiring';
import { intentFor } from './intents';

/** A sequence that is the same for the same seed (a linear congruence, Numerical Recipes, from memory). */
export function numbers(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

/** One of a list. */
export const pick = <T>(next: (below: number) => number, list: readonly T[]): T =>
  list[next(list.length)] as T;

/** A pin list where there is no common order: roles in their order on the contacts in theirs. */
function pinList(port: PortKind, family: string): Pick<IntentEnd, 'pinout'> {
  const contacts = CONNECTORS.find((entry) => entry.family === family)?.contacts ?? [];
  const roles = channelsOf(port.format).flatMap((channel) =>
    channel.roles.map((role) => (channel.id === '' ? role : `${channel.id}.${role}`)),
  );
  return asksPinout(family)
    ? { pinout: Object.fromEntries(roles.map((role, n) => [role, contacts[n]?.id ?? contacts[0]?.id ?? ''])) }
    : {};
}

/** An end of any port on any connector that it comes on, with a layout where makers differ. */
function anyEnd(next: (below: number) => number, ports: readonly PortKind[]): IntentEnd {
  const port = pick(next, ports);
  const family = pick(next, familiesFor(port));
  const layouts = layoutsFor(family, port.format);
  return {
    port: port.id,
    family,
    ...(layouts.length > 1 || layouts[0]?.asks ? { layout: pick(next, layouts).id } : {}),
    ...pinList(port, family),
    ...(next(12) === 0 ? { channel: pick(next, ['left', 'right', '1', '2']) } : {}),
    ...(next(8) === 0 ? { gender: pick(next, ['plug', 'socket'] as const) } : {}),
  };
}

/** An intent drawn at random: any ports, one to three ends a side, any form, cable and schools; most make no sense. */
export function anyIntent(next: (below: number) => number): Intent {
  const sources = PORTS.filter((port) => port.direction !== 'in');
  const inputs = PORTS.filter((port) => port.direction !== 'out');
  const form = pick(next, ['lead', 'lead', 'lead', 'barrel', 'box', 'plug'] as (keyof typeof FORMS)[]);
  const ends = (ports: readonly PortKind[]): readonly IntentEnd[] =>
    Array.from({ length: pick(next, [1, 1, 1, 1, 2, 3]) }, () => anyEnd(next, ports));
  const schools = Object.fromEntries(
    SCHOOLS.filter((school) => school.decides === 'wiring' && next(2) === 0).map((school) => [
      school.id,
      pick(next, school.choices).id,
    ]),
  );
  return intentFor({
    form,
    from: form === 'plug' ? [] : ends(sources),
    to: form === 'plug' ? [anyEnd(next, inputs)] : ends(inputs),
    cable: pick(next, CABLES).id,
    schools,
  });
}
