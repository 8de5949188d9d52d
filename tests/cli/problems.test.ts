import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { PROBLEM_LISTS } from '../../src/cli/problems';

const root = fileURLToPath(new URL('../../', import.meta.url));
const listed = PROBLEM_LISTS.flatMap((list) => Object.keys(list.codes));

/** Codes that are put together from the name of a document or of a field. */
const COMPOSED = /^(intent|assembly|situation|lead)\.(newer|deep|not-an-object)$|^own\./;

/** Every source, tests and lists aside. */
const sources = readdirSync(path.join(root, 'src'), { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.ts$|problems\.ts$/.test(file))
  .map((file) => readFileSync(path.join(root, 'src', file), 'utf8'));

/** Where a code is written: as a field, or as an argument of what makes a problem. */
const WRITTEN = /(?:\bcode(?: ===|:)\s+|\w\(\s*(?:'[\w.[\]]+',\s*|at,\s*)?)'([a-z]+\.[a-z][\w-]*)'/g;
const written = new Set(
  sources.flatMap((text) => [...text.matchAll(WRITTEN)].map((match) => match[1] ?? '')),
);

describe('problem codes', () => {
  const families = new Set(listed.map((code) => code.split('.')[0]));
  /** Fields, which are written where codes are too. */
  const fields = new Set([
    'intent.cable',
    'intent.wiring',
    'intent.form',
    'intent.from',
    'intent.to',
    'length.mm',
    'lead.seq',
    'lead.job_id',
    'lead.revision',
  ]);

  it('every code that is written is listed in its room', () => {
    const unlisted = [...written].filter(
      (code) =>
        families.has(code.split('.')[0] ?? '') &&
        !listed.includes(code) &&
        !fields.has(code) &&
        !/\.id$/.test(code),
    );
    expect(unlisted).toEqual([]);
    expect(written.size).toBeGreaterThan(100);
  });

  it('every code that is listed can arise, and is listed once', () => {
    const all = sources.join('\n');
    expect(listed.filter((code) => !COMPOSED.test(code) && !all.includes(code))).toEqual([]);
    expect(new Set(listed).size).toBe(listed.length);
  });

  it('the page that lists them is what the lists say', () => {
    const page = readFileSync(path.join(root, 'docs', 'problems.md'), 'utf8');
    for (const { title, codes } of PROBLEM_LISTS) {
      expect(page).toContain(`## ${title}\n`);
      for (const [code, means] of Object.entries(codes)) expect(page).toContain(`- \`${code}\`: ${means}\n`);
    }
    expect(page.match(/^- `/gm)).toHaveLength(listed.length);
  });
});
