import { describe, expect, it } from 'vitest';
import { INTENT_VERSION } from '../wiring';
import { builtAs, work } from '../../../tests/support/proving';
import { provenOf } from '../bench';
import { judge } from '../proving';
import { lead, open } from '.';

const PLAIN = {
  version: INTENT_VERSION,
  from: [{ port: 'microphone', family: 'xlr3' }],
  to: [{ port: 'microphone-input', family: 'xlr3' }],
  length: { mm: 6000, datum: 'face' },
  surroundings: 'stage',
  cable: 'pair-braid',
  schools: {},
};
const ends = (port: string, count: number) =>
  Array.from({ length: count }, (_, n) => ({ port, family: 'xlr3', channel: `${n + 1}` }));

describe('a lead by its front door', () => {
  it('gives everything that follows from what it is for', () => {
    const made = lead(PLAIN, [], 'Stage 6 m');
    if (!made.ok) return expect.fail(JSON.stringify(made.problems));
    const whole = made.value;
    expect(whole.document.name).toBe('Stage 6 m');
    expect(whole.netlist().nets.filter((net) => net.contacts.length > 1)).toHaveLength(3);
    expect(whole.kit().map((line) => line.id)).toEqual(expect.arrayContaining(['pair-braid', 'solder']));
    expect(whole.cuts()[0]?.total).toBeGreaterThan(5_800);
    expect(whole.check().filter((finding) => finding.severity === 'stop')).toEqual([]);
    expect(whole.plan().operations.length).toBeGreaterThan(10);
    expect(whole.signal()).toMatchObject({ ok: true });
    const proof = whole.proof();
    const proven = provenOf(whole.document);
    expect(work(proof, builtAs(proven, proof, proven)).verdict.is).toBe('good');
  });

  it('opens a document that is there already, and says what keeps it from having a signal', () => {
    const made = lead(PLAIN);
    if (!made.ok) return expect.fail(JSON.stringify(made.problems));
    const unused = open({ ...made.value.document, situations: [] });
    expect(unused.kit()).toEqual(made.value.kit());
    expect(unused.signal()).toMatchObject({ ok: false, problems: [{ code: 'signal.no-use' }] });
  });

  it('refuses as the wiring does, at the field', () => {
    expect(lead({ ...PLAIN, cable: 'string' })).toMatchObject({
      ok: false,
      problems: [{ path: 'intent.cable' }],
    });
  });

  it('carries 48 ways from the wiring to the proof', () => {
    const made = lead({
      ...PLAIN,
      from: ends('microphone', 48),
      to: ends('microphone-input', 48),
      length: { mm: 30_000, datum: 'face' },
      cable: 'multipair-48',
    });
    if (!made.ok) return expect.fail(JSON.stringify(made.problems));
    const whole = made.value;
    const { nets } = whole.netlist();
    // By name: 48 hots, 48 colds, 48 screens, each from its own connector to that of the same channel.
    const { channels, links } = whole.document.situations[0] ?? expect.fail('no use');
    const roles = new Map(channels.map((channel) => [channel.name, channel]));
    expect(links).toHaveLength(48);
    for (const { out, in: into } of links) {
      const [from, to] = [roles.get(out), roles.get(into)];
      expect(from?.label).toBe(to?.label);
      for (const pin of ['1', '2', '3'])
        expect(
          nets
            .find((net) => net.contacts.includes(`${from?.end}.${pin}`))
            ?.contacts.filter((contact) => !contact.includes('shell')),
        ).toEqual([`${from?.end}.${pin}`, `${to?.end}.${pin}`].sort());
    }
    const proof = whole.proof();
    const proven = provenOf(whole.document);
    const says = builtAs(proven, proof, proven);
    expect(
      judge(
        proof,
        proof.checks.map((check) => ({ probe: check.id, answer: says(check) })),
      ).is,
    ).toBe('good');
    const plan = whole.plan();
    expect(plan.operations.length).toBeGreaterThan(500);
  });
});
