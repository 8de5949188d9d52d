import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../src/', import.meta.url));

/** A function as it begins: declared, or an arrow under a name. */
const BEGINS =
  /^export (?:async )?function (\w+)|^export const (\w+) =(?: async)? ?(?:<[^>]*>)?(?:\(|\w+ =>|$)/;

it('every function that a room of the core or the server exports says what it is', () => {
  const bare = ['core', 'server'].flatMap((part) =>
    readdirSync(path.join(root, part), { recursive: true, encoding: 'utf8' })
      .filter((file) => /(?<!\.test)\.ts$/.test(file) && !file.includes('migrations'))
      .flatMap((file) => {
        const lines = readFileSync(path.join(root, part, file), 'utf8').split('\n');
        return lines.flatMap((line, n) => {
          const begun = BEGINS.exec(line);
          if (!begun) return [];
          const above = lines.slice(0, n).findLast((each) => !each.startsWith('// eslint'));
          return above?.trim().endsWith('*/') ? [] : [`${part}/${file}: ${begun[1] ?? begun[2]}`];
        });
      }),
  );
  expect(bare).toEqual([]);
});
