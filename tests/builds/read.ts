import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readAssembly, type Assembly } from '../../src/core/assembly';

/** One build written by hand: the document, and beside it what the trade says it must come to. */
export interface Build {
  readonly file: string;
  readonly title: string;
  readonly source: string;
  readonly assembly: unknown;
  readonly expected: {
    readonly nets: readonly (readonly string[])[];
    /** For each part, a contact on the net of each of its leads; leads on inner nets are left out. */
    readonly parts: Readonly<Record<string, Readonly<Record<string, string>>>>;
    readonly kit: {
      readonly connectors: Readonly<Record<string, number>>;
      readonly conductors: Readonly<Record<string, readonly string[]>>;
      readonly lengths: Readonly<Record<string, number>>;
      readonly parts: Readonly<Record<string, number>>;
    };
  };
}

const folder = fileURLToPath(new URL('.', import.meta.url));

export const BUILDS: readonly Build[] = readdirSync(folder)
  .filter((file) => file.endsWith('.json'))
  .sort()
  .map((file) => ({ file, ...(JSON.parse(readFileSync(folder + file, 'utf8')) as Omit<Build, 'file'>) }));

/** The assembly of a build, or the reason why it is none. */
export function assemblyOf(build: Build): Assembly {
  const read = readAssembly(build.assembly);
  if (!read.ok) throw new Error(`${build.file}: ${JSON.stringify(read.problems, null, 1)}`);
  return read.value;
}

export const buildNamed = (name: string): Assembly => {
  const build = BUILDS.find((each) => each.file.includes(name));
  if (!build) throw new Error(`no build ${name}`);
  return assemblyOf(build);
};
