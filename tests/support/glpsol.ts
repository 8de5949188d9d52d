import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** What Debian’s glpsol finds for a program in CPLEX’s LP format: the value, and how long it took, ms. */
export function runGlpsol(program: string): { readonly value: number | undefined; readonly ms: number } {
  const folder = mkdtempSync(path.join(tmpdir(), 'antler-lp-'));
  try {
    const [file, out] = [path.join(folder, 'program.lp'), path.join(folder, 'out.txt')];
    writeFileSync(file, program);
    const begun = performance.now();
    const { status, stdout, stderr } = spawnSync(
      process.env['ANTLER_TEST_GLPSOL'] ?? '/usr/bin/glpsol',
      ['--lp', file, '-o', out, '--tmlim', '60', '--mipgap', '0'],
      { encoding: 'utf8' },
    );
    const ms = performance.now() - begun;
    if (status !== 0) throw new Error(`glpsol did not run (install Debian’s glpk-utils): ${stdout}${stderr}`);
    const said = readFileSync(out, 'utf8');
    const value = /Objective:\s+\S+ = (\S+)/.exec(said)?.[1];
    const isSolved = /Status:\s+(INTEGER )?OPTIMAL/.test(said);
    return { value: isSolved && value !== undefined ? Number(value) : undefined, ms };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
