import type { Problem } from '../core/quantity';

/** Bad input: the problems are said on standard error, each with the path of its field. */
export class Bad extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('bad input');
  }
}

/** One problem with what was given. */
export const bad = (code: string, says: string, path = ''): Bad => new Bad([{ code, says, path }]);

/** What is given as `--name value`, each of these names at most once. */
export function options(
  words: readonly string[],
  names: readonly string[],
): Readonly<Record<string, string>> {
  const found: Record<string, string> = {};
  for (let n = 0; n < words.length; n += 2) {
    const [word = '', value] = words.slice(n, n + 2);
    const name = word.replace(/^--/, '');
    if (!word.startsWith('--') || !names.includes(name) || name in found)
      throw bad(
        'cli.option',
        `“${word}” is not understood here: ${names.map((each) => `--${each}`).join(', ')}, each once.`,
      );
    if (value === undefined) throw bad('cli.option', `${word} wants something after it.`, name);
    found[name] = value;
  }
  return found;
}
