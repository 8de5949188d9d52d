import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import path from 'node:path';

/** The reference simulator. */
export const NGSPICE = '/usr/bin/ngspice';
/** The median. */
export const middle = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
/** Processor time of this process, of whatever thread, ms. */
export function processor(run: () => unknown): number {
  const before = process.cpuUsage();
  run();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}
/** Processor time of processes that are waited for, ms. */
export function theirs(decks: readonly string[], folder: string): number {
  return decks.reduce((sum, deck, n) => {
    const file = path.join(folder, `${n}.cir`);
    writeFileSync(file, deck);
    const { stdout } = spawnSync(
      '/bin/bash',
      ['-c', `TIMEFORMAT='%U %S'; { time ${NGSPICE} -b "$1" >/dev/null 2>&1; } 2>&1`, 'bash', file],
      { encoding: 'utf8', cwd: folder },
    );
    const [user = 0, system = 0] = stdout.trim().split(/\s+/).map(Number);
    return sum + (user + system) * 1000;
  }, 0);
}

/** So often each of several runs, before and while times are taken. */
const TURNS = 9;

/**
 * Warm times of several runs, one after the other by turns, ms: a machine that slows down meanwhile, and what the compiler
 * learns from one, is the same for all.
 */
export function inTurns(runs: readonly (() => unknown)[]): readonly number[] {
  for (const run of runs) for (let n = 0; n < TURNS; n++) run();
  const times = Array.from({ length: TURNS }, () => runs.map((run) => processor(run)));
  return runs.map((_, k) => middle(times.map((each) => each[k] ?? 0)));
}
