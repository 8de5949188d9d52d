import { contactTerminal, type Terminal } from '../../assembly';
import type { Problem } from '../../quantity';
import { allot } from '../cores';
import type { Ask, AskEnd } from '../types';
import { endName } from '../ask-end';
import { bodyOf, carry, connect, linkShells, on } from '../connect';
import { cableProblem, lay } from '../lay';
import { allOneToOne, isSpecial, kindOf, other, practice } from './shape';
import { type Recipe, wired } from './types';

export const twistedPair: Recipe = {
  id: 'twisted-pair',
  name: 'twisted pair, no screen',
  source: 'common practice',
  suits(ask) {
    const kind = ask.links[0] && kindOf(ask.links[0]);
    if (isSpecial(ask) || ask.cable?.screen !== 'none' || ask.cable.kind !== 'pair')
      return other('It is for unscreened twisted pair.');
    return ask.links.length === 1 && (kind === 'balanced' || kind === 'unbalanced')
      ? { is: 'right', why: 'Its lay rejects magnetic fields; with no screen it is for short line runs.' }
      : other('It carries one channel that is balanced at both ends or at neither.');
  },
  lacks: (ask) => cableProblem(ask, ask.links, { unscreened: true, legs: 2 }),
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links, { legs: 2 })) connect(d, ask, run);
    d.because(practice('No screen: nothing carries phantom back, and nothing keeps an electric field out.'));
    linkShells(d, ask);
    return wired;
  },
};

export const threeStrand: Recipe = {
  id: 'three-strand',
  name: 'hand braid of three',
  source: 'common practice',
  suits: (ask) =>
    !isSpecial(ask) && ask.cable?.id === 'braid-3' && ask.links.length === 1 && allOneToOne(ask, 'unbalanced')
      ? { is: 'right', why: 'Two strands carry the signal and its return; the third makes the braid.' }
      : other('It is for three hook-up wires braided by hand, unbalanced at both ends.'),
  lacks: (ask) => cableProblem(ask, ask.links, { unscreened: true, legs: 2 }),
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links, { legs: 2 })) {
      connect(d, ask, run);
      const [third] = run.carrier?.spare ?? [];
      const school = ask.schools['third-strand'] ?? 'open';
      if (third === undefined || school === 'open') continue;
      const side = school === 'source' ? 'out' : 'in';
      const id = endName(ask.ends.length);
      d.tail(bodyOf(ask, run.link[side].end), {
        id,
        loose: [{ id: 'chassis', name: 'chassis', colour: 'GN', finish: 'ring' }],
        mount: 'cable',
        madeOn: 'bench',
      });
      d.land([run.at(side, third)], contactTerminal(id, 'chassis'), {
        says: `The third strand is drained to the chassis of the ${school === 'source' ? 'source' : 'receiver'} by a ring terminal, and joined to no contact of the plug.`,
        school: 'third-strand',
      });
    }
    d.dress({
      id: 'braid',
      what: 'braid',
      over: 'W1',
      says: 'Three strands braided by hand: six make five.',
    });
    d.because(practice('Braiding takes up one part in six of the length.'));
    linkShells(d, ask);
    return wired;
  },
};

/** The tail that the other end’s shell is asked to have, and that shell; nothing where none is asked. */
function shellTail(
  ask: Ask,
): { readonly tail: AskEnd; readonly pin: Terminal; readonly shell: Terminal } | undefined {
  const tail = ask.ends.find(({ loose, intent }) => loose && intent.pinout?.['shell'] !== undefined);
  const plugged = ask.ends.find((end) => end !== tail && end.connector?.shell);
  const pin = tail?.intent.pinout?.['shell'];
  return tail && plugged && pin !== undefined
    ? { tail, pin: contactTerminal(tail.id, pin), shell: contactTerminal(plugged.id, 'shell') }
    : undefined;
}

/** A shell with a tail of its own takes a core that nothing else needs. */
function lacksShellCore(ask: Ask): Problem | undefined {
  const carriers = ask.cable && shellTail(ask) ? allot(ask.cable, ask.links, ask.schools) : undefined;
  return carriers?.every(({ spare }) => spare.length === 0)
    ? {
        code: 'wiring.too-few-cores',
        says: `${ask.cable?.name ?? 'The cable'} has no core left for the shell’s own tail: choose one with a core more.`,
        path: 'intent.cable',
      }
    : undefined;
}

export const testTail: Recipe = {
  id: 'test-tail',
  name: 'test tail with loose pins',
  source: 'common practice',
  suits: (ask) =>
    ask.ends.some((end) => end.intent.family === 'tail-pin') && ask.ends.length === 2 && ask.links.length >= 1
      ? {
          is: 'right',
          why: 'Every contact of the published pin list on a loose, sleeved pin of its own colour.',
        }
      : other('It is for loose pins on equipment whose connector nobody has.'),
  lacks: (ask) => cableProblem(ask, ask.links, { unscreened: true }) ?? lacksShellCore(ask),
  wire(ask, d) {
    const shells = shellTail(ask);
    const because = practice(
      'The shell has a tail of its own: joined or left floating at the outlet, as it is tried.',
    );
    for (const run of lay(d, ask, ask.links)) {
      connect(d, ask, run);
      const [spare] = run.carrier?.spare ?? [];
      if (!shells || spare === undefined) continue;
      const isOut = run.link.out.end === shells.tail.id;
      const [tail, shell] = [on(shells.pin, because), on(shells.shell, because)];
      carry(d, ask, run, [spare], isOut ? tail : shell, isOut ? shell : tail);
      d.because(because);
    }
    d.because(
      practice(
        'Tape the pins that are not used. Ask the owner first. Not for ribbons or microphones with their own supply; phantom only when the microphone wants it, and only after connecting.',
      ),
    );
    d.because(
      practice(
        'A plug-type outlet takes thin copper tubes over its pins, or clips. Where a microphone offers two impedances the pin list says which pins are which.',
      ),
    );
    linkShells(d, ask);
    return wired;
  },
};
