import path from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../', import.meta.url));

/** The core as the compiler reads it, with what stands in one file changed. */
function compiled(file: string, change: (text: string) => string): ts.Program {
  const read = ts.readConfigFile(path.join(root, 'tsconfig.json'), ts.sys.readFile);
  const { options } = ts.parseJsonConfigFileContent(read.config, ts.sys, root);
  const host = ts.createCompilerHost({ ...options, noEmit: true });
  const target = path.join(root, file);
  const source = host.getSourceFile.bind(host);
  host.getSourceFile = (name, ...rest) =>
    path.resolve(name) === target
      ? ts.createSourceFile(name, change(ts.sys.readFile(target) ?? ''), ts.ScriptTarget.ES2022, true)
      : source(name, ...rest);
  return ts.createProgram([path.join(root, 'src/core/front/index.ts')], options, host);
}

/**
 * The first thing that the compiler finds wrong in the core, in a file other than this: no more is looked at than it takes, those
 * that name the field before the others.
 */
function firstWrong(program: ts.Program, but: string, field: string): string | undefined {
  const files = program.getSourceFiles();
  const isNamed = ({ text }: ts.SourceFile): boolean => text.includes(`.${field}`);
  for (const file of [...files.filter(isNamed), ...files.filter((each) => !isNamed(each))]) {
    if (!file.fileName.includes('/src/core/') || file.fileName.endsWith(but)) continue;
    const [wrong] = program.getSemanticDiagnostics(file);
    if (wrong) return ts.flattenDiagnosticMessageText(wrong.messageText, ' ');
  }
  return undefined;
}

/** A whole program is read by the compiler: beside other tests that takes its time, ms. */
const PATIENCE = 180_000;

const FIELDS = [
  ['src/core/lead/document.ts', 'because'],
  ['src/core/assembly/assembly.ts', 'carries'],
  ['src/core/situation/situation.ts', 'links'],
  ['src/core/wiring/intent.ts', 'through'],
] as const;

describe('a shape is written down once: whoever renames a field there is told of every place that reads it', () => {
  it.each(process.env['ANTLER_TEST_LONG'] === '1' ? FIELDS : FIELDS.slice(0, 2))(
    '%s: %s',
    { timeout: PATIENCE },
    (file, field) => {
      const program = compiled(file, (text) => {
        const line = new RegExp(`^  ${field}: `, 'm');
        expect(text).toMatch(line);
        return text.replace(line, `  ${field}Renamed: `);
      });
      // Nothing but the name that is gone can be what is wrong: it is named.
      expect(firstWrong(program, file, field)).toMatch(new RegExp(`\\b${field}(Renamed)?\\b`));
    },
  );
});
