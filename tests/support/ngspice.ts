import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** What Debian's ngspice prints of a deck: values of the operating point, and of a sweep. */
export interface Printed {
  readonly op: ReadonlyMap<string, number>;
  readonly frequencies: readonly number[];
  readonly ac: ReadonlyMap<string, { readonly re: readonly number[]; readonly im: readonly number[] }>;
  /** Lines that complain of anything. */
  readonly complaints: readonly string[];
  readonly text: string;
}

const NUMBER = String.raw`([+-]?\d[\d.]*e[+-]\d+)`;
const ROW = new RegExp(String.raw`^\d+\s+${NUMBER}\s+${NUMBER},?(?:\s+${NUMBER})?`);

/** Runs a deck in ngspice, in batch, as it is. */
export function runNgspice(deck: string): Printed {
  const folder = mkdtempSync(path.join(tmpdir(), 'antler-deck-'));
  try {
    const file = path.join(folder, 'deck.cir');
    writeFileSync(file, deck);
    const { stdout, stderr, status } = spawnSync(
      process.env['ANTLER_TEST_NGSPICE'] ?? '/usr/bin/ngspice',
      ['-b', file],
      {
        encoding: 'utf8',
        cwd: folder,
        maxBuffer: 1 << 28,
      },
    );
    if (status === null) throw new Error('ngspice did not run: install Debian’s ngspice');
    return {
      ...parse(stdout),
      complaints: complaintsIn(`${stdout}\n${stderr}`, status),
      text: stdout + stderr,
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const complaintsIn = (text: string, status: number): readonly string[] => [
  ...(status === 0 ? [] : [`ended with ${status}`]),
  ...text.split('\n').filter((line) => /warning|error|singular|fail|unknown|cannot|no such/i.test(line)),
];

function parse(text: string): Pick<Printed, 'op' | 'ac' | 'frequencies'> {
  const op = new Map<string, number>();
  const ac = new Map<string, { re: number[]; im: number[] }>();
  let frequencies: number[] = [];
  let now: { name: string; re: number[]; im: number[]; f: number[] } | undefined;
  for (const line of text.split('\n')) {
    const header = /^Index\s+frequency\s+(\S+)/.exec(line);
    if (header?.[1]) {
      // A long table repeats its header every page.
      if (now?.name !== header[1]) now = { name: header[1], re: [], im: [], f: [] };
      ac.set(now.name, now);
      frequencies = now.f;
      continue;
    }
    const row = ROW.exec(line);
    if (row && now) {
      now.f.push(Number(row[1]));
      now.re.push(Number(row[2]));
      now.im.push(Number(row[3] ?? 0));
      continue;
    }
    const value = new RegExp(String.raw`^(\S+) = ${NUMBER}`).exec(line);
    if (value?.[1]) op.set(value[1], Number(value[2]));
  }
  return { op, ac, frequencies };
}

/** Whether two numbers agree within a share of the larger, or absolutely. */
export const near = (a: number, b: number, share: number, absolute: number): boolean =>
  Math.abs(a - b) <= Math.max(absolute, share * Math.max(Math.abs(a), Math.abs(b)));

/** One time of a transient, s, with the voltages of nodes `n0`, `n1`, … */
export interface At {
  readonly s: number;
  readonly values: readonly number[];
}

/** Runs a deck’s transient in ngspice and reads the voltages of its first so many nodes. */
export function transientOf(deck: string, count: number): readonly At[] {
  const folder = mkdtempSync(path.join(tmpdir(), 'antler-deck-'));
  try {
    const vectors = Array.from({ length: count }, (_, n) => `v(n${n})`).join(' ');
    const file = path.join(folder, 'deck.cir');
    writeFileSync(
      file,
      deck
        .replace(/^\.print.*\n/m, '')
        .replace('.end\n', `.control\nrun\nwrdata out.txt ${vectors}\nquit\n.endc\n.end\n`),
    );
    const { stderr, stdout } = spawnSync(
      process.env['ANTLER_TEST_NGSPICE'] ?? '/usr/bin/ngspice',
      ['-b', file],
      { encoding: 'utf8', cwd: folder, maxBuffer: 1 << 28 },
    );
    const written = path.join(folder, 'out.txt');
    if (!existsSync(written)) throw new Error(`ngspice wrote nothing: ${stdout}${stderr}`);
    // Each vector is written with the time before it.
    return readFileSync(written, 'utf8')
      .trim()
      .split('\n')
      .map((line) => {
        const figures = line.trim().split(/\s+/).map(Number);
        return { s: figures[0] ?? 0, values: figures.filter((_, n) => n % 2 === 1) };
      });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
