import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { contactTerminal, spanLengths, type Assembly } from '../assembly';
import { provenOf } from '../bench';
import { findings } from '../findings';
import { derive, readLead, type Lead } from '../lead';
import { resistances, type ResistiveElement } from '../model';
import type { Intent } from '../wiring';
import { judge, proofOf, shortingPlugOf, type Answer, type Proof } from '.';
import { loopsIn, shortableEnds } from './shorting';

const PLUGS = ['xlr3 socket', 'xlr3 plug', 'd25 plug', 'trs635 socket'];
const proofFor = (lead: Lead): Proof => proofOf(provenOf(lead), { plugs: PLUGS });
const loop = (proof: Proof, id: string) =>
  proof.candidates.find((each) => each.id === id) ?? expect.fail(`no loop ${id}`);
/** A wire across every contact of an end, by hand: what a shorting plug is. */
const bridged = (end: string, contacts: readonly string[]): readonly ResistiveElement[] =>
  contacts.slice(1).map((contact) => ({
    a: contactTerminal(end, contacts[0] ?? ''),
    b: contactTerminal(end, contact),
    ohms: 0,
  }));
const says = (proof: Proof, readings: readonly (readonly [string, Answer])[]) =>
  judge(
    proof,
    readings.map(([probe, answer]) => ({ probe, answer })),
  );
const SILENT: Answer = { kind: 'silent' };

describe('a shorting plug', () => {
  it('is a lead that Antler designs, and is known by its nets alone', () => {
    const plug = leadNamed('shorting-plug');
    expect(shortingPlugOf(plug.assembly)).toBe('xlr3 socket');
    const [body] = plug.assembly.bodies;
    const broken: Assembly = {
      ...plug.assembly,
      bodies: body ? [{ ...body, joints: [] }] : [],
    };
    expect(shortingPlugOf(broken)).toBeUndefined();
    for (const other of ['tell-tale', 'stage-microphone', 'screen-lift-barrel'])
      expect(shortingPlugOf(leadNamed(other).assembly), other).toBeUndefined();
  });

  it('goes on what it mates with: a socket on the plug of a lead, and on nothing else', () => {
    const { assembly } = leadNamed('stage-microphone');
    // A is the microphone’s end, a socket; B goes into the stage box, a plug (AES14: outputs on plugs).
    expect(shortableEnds(assembly, ['xlr3 socket']).map(({ id }) => id)).toEqual(['B']);
    expect(shortableEnds(assembly, ['xlr3 plug']).map(({ id }) => id)).toEqual(['A']);
    expect(shortableEnds(assembly, ['d25 plug', 'trs635 socket'])).toEqual([]);
    expect(loopsIn(assembly, [])).toEqual([]);
  });

  it('brings each core back: the sum of two ways, by the meter on the whole lead with a wire across its contacts', () => {
    for (const [name, end, contacts] of [
      ['stage-microphone', 'B', ['1', '2', '3']],
      ['star-quad-microphone', 'B', ['1', '2', '3']],
      ['line-xlr-to-trs', 'A', ['1', '2', '3']],
    ] as const) {
      const lead = leadNamed(name);
      const proof = proofFor(lead);
      const loops = proof.candidates.filter(({ shorting }) => shorting === end);
      expect(loops, name).toHaveLength(3);
      const lengths = spanLengths(lead.assembly);
      const ohms = resistances(lead.assembly, { lengths, extra: bridged(end, contacts) });
      for (const probe of loops)
        expect(proof.expects(probe).nominal, probe.id).toBeCloseTo(ohms(probe.red, probe.black[0] ?? ''), 6);
    }
  });

  it('tells every fault of a lead as the meter on the whole faulty lead does', () => {
    const lead = leadNamed('stage-microphone');
    const proof = proofFor(lead);
    const lengths = spanLengths(lead.assembly);
    const loops = proof.candidates.filter(({ shorting }) => shorting === 'B');
    let looked = 0;
    for (const { fault, reads } of proof.hypotheses) {
      if (!fault || fault.fromNothing) continue;
      for (const probe of loops) {
        const found = reads(probe);
        for (const { assembly, extra = [] } of fault.variants()) {
          const ohms = resistances(assembly, {
            lengths,
            extra: [...extra, ...bridged('B', ['1', '2', '3'])],
          })(probe.red, probe.black[0] ?? '');
          const seen = Math.min(ohms, 1e30);
          expect(seen >= Math.min(found.from, 20e6) && ohms <= found.to, `${fault.id} at ${probe.id}`).toBe(
            true,
          );
          looked++;
        }
      }
    }
    expect(looked).toBeGreaterThan(60);
  });

  it('tells a core that comes out nowhere from one that comes out elsewhere, in one probe', () => {
    const proof = proofFor(leadNamed('stage-microphone'));
    const { next } = says(proof, [['A.2~B.2', SILENT]]);
    expect(next?.id).toMatch(/ shorting [AB]$/);
    const back = says(proof, [
      ['A.2~B.2', SILENT],
      ['A.2~A.1 shorting B', { kind: 'ohms', ohms: 0.7 }],
    ]);
    expect(new Set(back.suspects.map(({ kind }) => kind))).toEqual(new Set(['crossed', 'reversed']));
    const away = says(proof, [
      ['A.2~B.2', SILENT],
      ['A.2~A.1 shorting B', { kind: 'ohms', ohms: Infinity }],
    ]);
    expect(away.suspects.length).toBeGreaterThan(0);
    expect(away.suspects.every(({ kind }) => kind === 'open')).toBe(true);
  });

  it('is said in words, and found again by the id of its reading', () => {
    const proof = proofFor(leadNamed('stage-microphone'));
    expect(loop(proof, 'A.3~A.1 shorting B').says).toBe('A.3 to A.1, the shorting plug on end B');
    const without = proofOf(provenOf(leadNamed('stage-microphone')));
    expect(without.candidates.some(({ shorting }) => shorting !== undefined)).toBe(false);
    expect(without.check('A.3~A.1 shorting B')).toMatchObject({ red: 'A.3', shorting: 'B' });
    // No contact can be touched that the plug is on, and no end is where there is none.
    expect(without.check('A.3~B.1 shorting B')).toBeUndefined();
    expect(without.check('A.3~A.1 shorting C')).toBeUndefined();
  });
});

describe('shorting plugs of other families', () => {
  it.each([
    ['twist4', 'loudspeaker-under-test', 4],
    ['d25', 'eight-channels-under-test', 25],
    ['trs635', 'balanced-under-test', 3],
    ['phono', 'unbalanced-under-test', 2],
    ['xlr5', 'stereo-balanced-under-test', 5],
  ])(
    '%s: all contacts on one metal, a document that can be opened, and nothing against it',
    (family, port, count) => {
      const intent = leadNamed('shorting-plug').intent as Intent;
      const made = derive({ ...intent, to: [{ port, family }] });
      const lead = made.ok ? made.value : expect.fail(made.problems[0]?.says);
      expect(readLead(JSON.parse(JSON.stringify(lead))).ok).toBe(true);
      expect(shortingPlugOf(lead.assembly)).toMatch(new RegExp(`^${family} `));
      expect(lead.assembly.bodies[0]?.joints[0]?.terminals).toHaveLength(count);
      expect(findings(lead).filter(({ severity }) => severity !== 'note')).toEqual([]);
    },
  );
});
