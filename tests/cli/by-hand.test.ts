import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../', import.meta.url));
const folder = mkdtempSync(path.join(tmpdir(), 'antler-by-hand-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, content: string): string => {
  const at = path.join(folder, name);
  writeFileSync(at, content);
  return at;
};
const run = (...args: readonly string[]) =>
  spawnSync(process.execPath, [`${root}bin/antler.mjs`, ...args], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });

describe('antler edit', () => {
  it('makes changes to a lead, one after the other; what is wrong with it then is found', () => {
    const crossed = JSON.stringify([{ kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' }]);
    const made = run('edit', 'examples/leads/stage-microphone.json', file('edits.json', crossed));
    expect([made.status, made.stderr]).toEqual([0, '']);
    const once = file('once.json', made.stdout);
    const nets = JSON.parse(run('netlist', once).stdout) as { nets: Record<string, string[]> };
    expect(Object.values(nets.nets).filter((net) => net.length > 1)).toEqual([
      ['A.1', 'B.1'],
      ['A.2', 'B.3'],
      ['A.3', 'B.2'],
    ]);
    const checked = run('check', once);
    expect(checked.status).toBe(1);
    expect(checked.stdout).toContain('crossed');
    // Crossed once more it is as it was.
    const twice = run('edit', once, file('edits.json', crossed));
    expect(run('check', file('twice.json', twice.stdout)).status).toBe(0);
  });

  it('says what lapsed, and refuses what is no edit at its field', () => {
    const lapsed = run(
      'edit',
      'examples/leads/stage-microphone.json',
      file('edits.json', JSON.stringify([{ kind: 'cut-back', at: 'W1.green@b' }])),
    );
    expect([lapsed.status, lapsed.stderr]).toEqual([
      0,
      'edits[0]: The green core at end B is not in this lead any more.\n',
    ]);
    const none = run(
      'edit',
      'examples/leads/stage-microphone.json',
      file('edits.json', JSON.stringify([{ kind: 'paint' }])),
    );
    expect(none.status).toBe(2);
    expect(none.stderr).toContain('edits[0].kind');
  });
});

describe('antler describe', () => {
  it('names a lead by which contacts meet, and gives an intent that derives to it', () => {
    const said = run('describe', file('held.txt', 'A xlr female\nB 6.35 TS\nA.2 B.T\nA.1 A.3 B.S\n'));
    expect([said.status, said.stderr]).toEqual([0, '']);
    const { recipe, differs, intent } = JSON.parse(said.stdout) as Record<string, unknown>;
    expect(recipe).toMatchObject({ id: 'balanced-to-unbalanced' });
    expect(differs).toEqual([]);
    const derived = run('derive', file('intent.json', JSON.stringify(intent)));
    const nets = JSON.parse(run('netlist', file('lead.json', derived.stdout)).stdout) as {
      nets: Record<string, string[]>;
    };
    expect(Object.values(nets.nets)).toContainEqual(['A.2', 'B.T']);
  });

  it('names the line that it cannot read', () => {
    const said = run('describe', file('held.txt', 'A xlr\nB kettle\n'));
    expect(said.status).toBe(2);
    expect(said.stderr).toContain('line 2: “kettle” is no connector that Antler knows');
  });
});
