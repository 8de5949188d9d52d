import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { beforeAll, describe, expect, it } from 'vitest';
import { PLAIN_INTENT } from '../support/intents';

const root = fileURLToPath(new URL('../../', import.meta.url));

/** Runs the command as a shell would, with something on its standard input. */
function antler(args: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync(process.execPath, [`${root}bin/antler.mjs`, ...args], {
    cwd: root,
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
    // No database, no server: nothing that either could be reached by.
    env: { PATH: process.env['PATH'] ?? '' },
  });
  return { status, stdout, stderr, json: () => JSON.parse(stdout) as Record<string, unknown> };
}
const intent = (id: string): string => `examples/intents/${id}.json`;

beforeAll(() => void antler(['recipes']), 60_000);

/** A lead as it lies in the repository. */
const stored = (): Record<string, unknown> =>
  JSON.parse(readFileSync(`${root}examples/leads/stage-microphone.json`, 'utf8')) as Record<string, unknown>;
const withSituation = (patch: object): unknown => {
  const lead = stored();
  const [situation] = lead['situations'] as object[];
  return { ...lead, situations: [{ ...situation, ...patch }] };
};

describe('antler from a shell', () => {
  it('derives an intent to the lead that lies beside it', () => {
    const run = antler(['derive', intent('stereo-sum')]);
    expect(run.status).toBe(0);
    expect(run.stderr).toBe('');
    expect(run.json()).toEqual(JSON.parse(readFileSync(`${root}examples/leads/stereo-sum.json`, 'utf8')));
  });

  it('reads standard input where the file is -, and an intent with no name beside it', () => {
    const { intent: bare } = JSON.parse(readFileSync(root + intent('turnaround'), 'utf8')) as {
      intent: unknown;
    };
    const run = antler(['derive', '-'], JSON.stringify(bare));
    expect(run.status).toBe(0);
    expect(run.json()['because']).toMatchObject({ recipe: { id: 'turnaround' } });
  });

  it('gives nets by their first contact, inner ones empty, and parts between them', () => {
    const run = antler(['netlist', 'examples/leads/tell-tale.json']);
    const { nets, parts } = run.json() as {
      nets: Record<string, string[]>;
      parts: { id: string; kind: string; value: number; leads: Record<string, string> }[];
    };
    expect(nets['N1']).toEqual(['A.1']);
    expect(nets['N2']).toEqual(['A.2']);
    expect(Object.values(nets).filter((net) => net.length === 0)).toHaveLength(2);
    const lamp = parts.find((part) => part.id === 'D1');
    expect(lamp).toMatchObject({ kind: 'led', value: 2, leads: { cathode: 'N1' } });
    expect(nets[lamp?.leads['anode'] ?? '']).toEqual([]);
  });

  it('ohms between two contacts, and which it has where one is not of the lead', () => {
    const lead = 'examples/leads/stereo-sum.json';
    expect(antler(['ohms', lead, 'A.T', 'B.2']).json()['ohms']).toBeCloseTo(470, 0);
    expect(antler(['ohms', 'examples/leads/stage-microphone.json', 'A.2', 'B.3']).json()).toMatchObject({
      ohms: null,
      open: true,
    });
    const wrong = antler(['ohms', lead, 'A.T', 'B.9']);
    expect(wrong.status).toBe(2);
    expect(wrong.stderr).toMatch(/^to: .*B\.3/);
  });

  it('direct and alternating voltages of a lead that is plugged in', () => {
    const { volts } = antler(['dc', 'examples/leads/tell-tale.json']).json() as {
      volts: Record<string, number>;
    };
    // 48 V less 4.0 mA through 6.81 kΩ (IEC 61938).
    expect(volts['A.2']).toBeCloseTo(48 - 4.0 * 6.81, 0);
    const swept = antler(['ac', 'examples/leads/stereo-sum.json', '100', '10000', '3']).json() as {
      frequency: number[];
      driven: { channel: string; volts: number; at: Record<string, { re: number[] }> }[];
    };
    expect(swept.frequency.map(Math.round)).toEqual([100, 1000, 10_000]);
    expect(swept.driven.map((each) => each.channel)).toEqual(['A left', 'A right']);
    const [left] = swept.driven;
    expect(20 * Math.log10((left?.at['B']?.re[1] ?? 0) / (left?.volts ?? 1))).toBeCloseTo(-6.33, 1);
    expect(antler(['ac', 'examples/leads/stereo-sum.json', 'low']).stderr).toMatch(/^from: /);
  });

  it('writes a deck, and solves it to what ac says', () => {
    const deck = antler(['spice', 'examples/leads/stereo-sum.json']).stdout;
    expect(deck).toMatch(/^\* Tablet to one line input\n/);
    const { op, ac } = antler(['solve', '-'], deck).json() as {
      op: Record<string, number>;
      ac: Record<string, { re: number[] }>;
    };
    expect(op['v(eq_b_2,eq_b_3)']).toBe(0);
    expect(ac['v(eq_b_2,eq_b_3)']?.re[0]).toBeCloseTo(2 * 0.29694, 3);
    const odd = antler(['solve', '-'], 'title\nR1 a 0 1\nX1 a b sub\n.end\n');
    expect(odd.status).toBe(2);
    expect(odd.stderr).toMatch(/^line 3: X1 is not read here/);
  });

  it('checks a lead: exit 0 when nothing says stop, 1 when something does', () => {
    expect(antler(['check', 'examples/leads/stage-microphone.json'])).toMatchObject({ status: 0 });
    const harmed = JSON.stringify({
      version: 3,
      from: [{ port: 'microphone-ribbon', family: 'xlr3' }],
      to: [{ port: 'microphone-input-phantom', family: 'xlr3' }],
      length: { mm: 5000, datum: 'face' },
      surroundings: 'studio',
      cable: 'pair-braid',
      schools: {},
    });
    const run = antler(['check', '-'], antler(['derive', '-'], harmed).stdout);
    expect(run.status).toBe(1);
    expect(run.json()['findings']).toMatchObject([{ rule: 'phantom-harm', severity: 'stop' }]);
  });

  it('says of a lead which schools it hangs on', () => {
    const harmless = JSON.stringify(PLAIN_INTENT);
    const run = antler(['schools', '-'], antler(['derive', '-'], harmless).stdout);
    const said = run.json() as unknown as { id: string; answer: string; hangs?: boolean }[];
    expect(said.flatMap(({ id, hangs }) => (hangs ? id : []))).toEqual([
      'colour',
      'screen',
      'shell',
      // A braid to be twisted, cups to be soldered, two plugs to be closed, and it has a direction.
      'screen-wire',
      'solder-order',
      'solder',
      'flux',
      'contacts',
      'cups',
      'trim-order',
      'closing',
      'proving',
      'direction',
    ]);
    expect(said.find(({ id }) => id === 'third-strand')).toMatchObject({ answer: 'open', hangs: false });
    // Nothing of it is shrunk before its plugs are closed, and its joints go by the screen, not by the hand.
    expect(said.find(({ id }) => id === 'shrink-time')).toMatchObject({ hangs: false });
    expect(said.find(({ id }) => id === 'hand')).toMatchObject({ hangs: false });
    // Words and units are everywhere.
    expect(said.find(({ id }) => id === 'units')).not.toHaveProperty('hangs');
  });

  it.each([
    ['recipes', (json: unknown) => (json as unknown[]).length, 35],
    ['schools', (json: unknown) => (json as unknown[]).length, 24],
    ['catalogue', (json: unknown) => Object.keys(json as object).length, 4],
    ['schemas', (json: unknown) => Object.keys(json as object).length, 18],
  ])('lists %s', (command, count, expected) => {
    const run = antler([command]);
    expect(run.status).toBe(0);
    expect(count(run.json())).toBe(expected);
  });

  it.each([
    [
      'a field that is wrong',
      ['derive', '-'],
      '{"version":3,"from":[{"port":"kazoo","family":"xlr3"}],"to":[{"port":"line-input","family":"xlr3"}],"surroundings":"rack","schools":{}}',
      'intent.from[0].port: “kazoo”',
    ],
    ['no JSON', ['derive', '-'], '{', 'is not JSON'],
    ['no such file', ['derive', 'nowhere.json'], '', 'Cannot read nowhere.json'],
    ['no file', ['netlist'], '', 'Name a file'],
    ['no lead', ['check', '-'], '{}', 'antler'],
    [
      'a lead that does not say what it meets',
      ['check', '-'],
      JSON.stringify({ ...stored(), situations: undefined }),
      'situations',
    ],
    [
      'a link to an absent channel',
      ['dc', '-'],
      JSON.stringify(withSituation({ links: [{ out: 'A', in: 'Q' }] })),
      'situations[0].links[0].in: There is no channel “Q”',
    ],
    ['null schools', ['check', '-'], JSON.stringify({ ...stored(), schools: null }), 'schools'],
    ['nesting without end', ['netlist', '-'], '['.repeat(50_000) + ']'.repeat(50_000), 'expected'],
    [
      'nesting over 64 in a lead',
      ['check', '-'],
      `{"antler":"lead","version":2,"name":${'{"a":'.repeat(80)}1${'}'.repeat(80)}}`,
      'nested deeper',
    ],
    ['an assembly with a hole', ['netlist', '-'], '{"version":2,"bodies":[]}', 'bodies'],
    ['a newer lead', ['netlist', '-'], '{"antler":"lead","version":9}', 'newer'],
    ['no command', [], '', 'usage:'],
  ])('bad input, %s: exit 2, nothing on standard output', (_, args, input, says) => {
    const run = antler(args, input);
    expect(run.status).toBe(2);
    expect(run.stdout).toBe('');
    expect(run.stderr).toContain(says);
  });
});
