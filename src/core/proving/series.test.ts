import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { contactTerminal, spanLengths } from '../assembly';
import { provenOf } from '../bench';
import { resistances, type ResistiveElement } from '../model';
import {
  answerOf,
  answersOf,
  judge,
  matedEnds,
  proofOf,
  throughProven,
  type Check,
  type Proof,
  type Reading,
} from '.';

const lead = leadNamed('stage-microphone');
const proof = proofOf(provenOf(lead));
const lengths = spanLengths(lead.assembly);
const own = resistances(lead.assembly, { lengths });
const wayOf = (contact: string): number => own(`A.${contact}`, `B.${contact}`);
/** A second lead by hand, on B: a resistance from each contact on. */
const onB: readonly ResistiveElement[] = ['1', '2', '3'].map((contact) => ({
  a: contactTerminal('B', contact),
  b: `far.${contact}`,
  ohms: wayOf(contact),
}));
const paths = (of: Proof) => of.probes.flatMap((probe) => throughProven(lead.assembly, probe, 'B') ?? []);

describe('two leads in series', () => {
  it('go into each other where one end mates with the other, contact for contact', () => {
    expect(matedEnds(lead.assembly).map(({ end }) => end.id)).toEqual(['A', 'B']);
    // Two plugs; other contacts at the other end; parts on the way; three ends.
    for (const other of ['patch-lead', 'line-xlr-to-trs', 'pad-h-lead', 'two-way-split', 'tell-tale'])
      expect(matedEnds(leadNamed(other).assembly), other).toEqual([]);
  });

  it('read each path twice over, and say through what', () => {
    expect(paths(proof).map(({ id }) => id)).toEqual([
      'A.1~B.1 series B',
      'A.2~B.2 series B',
      'A.3~B.3 series B',
    ]);
    for (const probe of paths(proof)) {
      expect(proof.expects(probe).nominal).toBeCloseTo(2 * wayOf(probe.red.slice(2)), 9);
      expect(probe.says).toMatch(/^A\.(\d) to B\.\1, through a proven lead on end B$/);
      expect(proof.check(probe.id)).toEqual(probe);
    }
    // A short is measured at the end at hand, and what lies in the joint cannot be reached.
    for (const probe of proof.probes.filter(({ kind }) => kind !== 'path'))
      expect(throughProven(lead.assembly, probe, 'B'), probe.id).toBeUndefined();
  });

  it('tell every fault as the meter on the whole faulty lead with another behind it does', () => {
    let looked = 0;
    for (const { fault, reads } of proof.hypotheses) {
      if (!fault || fault.fromNothing) continue;
      for (const probe of paths(proof)) {
        const found = reads(probe);
        for (const { assembly, extra = [] } of fault.variants()) {
          const ohms = resistances(assembly, { lengths, extra: [...extra, ...onB] })(
            probe.red,
            `far.${probe.red.slice(2)}`,
          );
          expect(ohms >= Math.min(found.from, 20e6) && ohms <= found.to, `${fault.id} at ${probe.id}`).toBe(
            true,
          );
          looked++;
        }
      }
    }
    expect(looked).toBeGreaterThan(60);
  });

  /** Everything that hands reach while the proven lead is on B. */
  const asked = proof.checks.flatMap((check): readonly Check[] => {
    if (!('red' in check)) return [check];
    const through = throughProven(lead.assembly, check, 'B');
    if (through) return [through];
    return [check.red, ...check.black].some((each) => each.startsWith('B.')) ? [] : [check];
  });
  const readingsOf = (built = lead): readonly Reading[] => {
    const says = answersOf(provenOf(lead), proof, { assembly: built.assembly });
    return [
      ...asked.map((check) => ({ probe: check.id, answer: answerOf(check, says(check)) })),
      ...proof.checks
        .filter(({ id }) => !asked.some((each) => each.id.startsWith(id)))
        .map(({ id }) => ({ probe: id, answer: { kind: 'skipped' } as const })),
    ];
  };

  it('prove a good lead but for what lies in the joint: the shell of the end that the other is on', () => {
    const verdict = judge(proof, readingsOf());
    expect(verdict.is).toBe('good');
    expect(verdict.says).toMatch(/^Good, except/);
    expect(new Set(verdict.unseen.map(({ id }) => id))).toEqual(
      new Set(['short:B.1~B.shell', 'short:B.2~B.shell', 'short:B.3~B.shell']),
    );
  });

  it('name what is off, as in a lead that is measured alone', () => {
    const [white, black] = ['W1.white@b', 'W1.black@b'];
    const body = lead.assembly.bodies.find(({ id }) => id === 'b');
    const swapped = body && {
      ...body,
      joints: body.joints.map((joint) => ({
        ...joint,
        terminals: joint.terminals.map((each) => (each === white ? black : each === black ? white : each)),
      })),
    };
    const wrong = {
      ...lead,
      assembly: {
        ...lead.assembly,
        bodies: lead.assembly.bodies.map((each) => (each.id === 'b' && swapped ? swapped : each)),
      },
    };
    const verdict = judge(proof, readingsOf(wrong));
    expect(verdict.suspects.map(({ kind }) => kind)).toContain('reversed');
    expect(verdict.suspects.every(({ kind }) => kind === 'reversed')).toBe(true);
  });
});
