import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import * as assembly from '../../src/core/assembly';
import * as bench from '../../src/core/bench';
import * as circuit from '../../src/core/circuit';
import * as cutting from '../../src/core/cutting';
import * as dressing from '../../src/core/dressing';
import * as findings from '../../src/core/findings';
import * as formats from '../../src/core/formats';
import * as front from '../../src/core/front';
import * as kit from '../../src/core/kit';
import * as proving from '../../src/core/proving';
import * as signal from '../../src/core/signal';
import * as situation from '../../src/core/situation';
import { value } from '../support/result';

const root = fileURLToPath(new URL('../../src/core/', import.meta.url));

/** The lead that the examples are about. */
const { document } = value(
  front.lead({
    version: 3,
    from: [{ port: 'microphone', family: 'xlr3' }],
    to: [{ port: 'microphone-input', family: 'xlr3' }],
    length: { mm: 6000, datum: 'face' },
    surroundings: 'stage',
    cable: 'pair-braid',
    schools: {},
  }),
);
/** What an example may name: the doors of the core, and that lead. */
const KNOWN: Readonly<Record<string, unknown>> = {
  ...bench,
  ...circuit,
  ...cutting,
  ...dressing,
  ...findings,
  ...formats,
  ...front,
  ...kit,
  ...proving,
  ...signal,
  ...situation,
  ...assembly,
  document,
  assembly: document.assembly,
};

/** The examples in the comments, by the file that they stand in: code, with `// → value` after what it comes to. */
const EXAMPLES = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) =>
    [
      ...readFileSync(path.join(root, file), 'utf8').matchAll(/^ \* Example, .*:\n \*\n((?: \* {5}.*\n)+)/gm),
    ].map(([, code = '']) => ({ file, code: code.replace(/^ \* {5}/gm, '') })),
  );

/** Runs an example: what each marked line comes to, beside what it says. */
function run(code: string): readonly { readonly came: unknown; readonly said: unknown }[] {
  const body = code.replace(
    /^(.*); \/\/ → (.*)$/gm,
    (_, expression: string, said: string) => `results.push({ came: ${expression}, said: ${said} });`,
  );
  const results: { came: unknown; said: unknown }[] = [];
  // The examples are our own comments, and are code that is meant to be run.
  new Function('results', ...Object.keys(KNOWN), `'use strict';\n${body}`)(results, ...Object.values(KNOWN));
  return results;
}

describe('examples in the comments of the doors that a newcomer opens first', () => {
  it('stand at ten doors at least', () =>
    expect(new Set(EXAMPLES.map(({ file }) => file)).size).toBeGreaterThanOrEqual(9));

  it.each(EXAMPLES)('$file', ({ code }) => {
    const results = run(code);
    expect(results.length).toBeGreaterThan(0);
    for (const { came, said } of results) expect(came).toEqual(said);
  });
});
