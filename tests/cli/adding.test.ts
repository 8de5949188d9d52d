import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../', import.meta.url));
/** A copy of the core, inside the project so that its packages are found. */
const copy = path.join(root, 'dist-cli', `adding-${process.pid}`);
const bundle = path.join(copy, 'antler.mjs');

/** Adds one file to a folder of the core, and to the folder's index its import and one entry of its list. */
function add(folder: string, file: string, text: string, name: string, list: string): void {
  const at = path.join(copy, 'src', 'core', folder);
  writeFileSync(path.join(at, `${file}.ts`), text);
  const index = path.join(at, 'index.ts');
  const before = readFileSync(index, 'utf8');
  const after = `import { ${name.replace('...', '')} } from './${file}';\n${before.replace(list, `${list}\n  ${name},`)}`;
  if (!before.includes(list)) throw new Error(`no ${list} in ${index}`);
  writeFileSync(index, after);
}

const run = (args: readonly string[], input = ''): unknown => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bundle, ...args], {
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  if (status !== 0) throw new Error(stderr);
  return JSON.parse(stdout);
};

beforeAll(() => {
  mkdirSync(copy, { recursive: true });
  cpSync(path.join(root, 'src'), path.join(copy, 'src'), { recursive: true });
  add(
    'catalogue/connectors',
    'velvet',
    `import { before, compose, contacts, inRow, mono, STRIP } from './compose';
export const velvet = compose(
  {
    family: 'velvet3', familyName: 'velvet 3', signals: ['line'], shell: false,
    layouts: [mono('balanced', { hot: '1', cold: '2', screen: '3' }, 'invented')],
    contacts: contacts(['1', '2', '3'], 'cup', 2), plugFace: inRow(['1', '2', '3'], 3),
    insertRadiusMm: 6, keyed: true, faceSource: 'invented',
  },
  [{ id: 'velvet3-plug', name: 'Velvet plug', gender: 'plug', mount: 'cable', bodyParts: before('boot'), strip: STRIP.short, source: 'invented' }],
);
`,
    '...velvet',
    'export const CONNECTORS: readonly ConnectorEntry[] = [',
  );
  add(
    'catalogue/cables',
    'silk',
    `import { pairBraid } from './pair';
export const silk = { ...pairBraid, id: 'silk', name: 'Silk pair' };
`,
    'silk',
    'export const CABLES: readonly CableEntry[] = [',
  );
  add(
    'wiring/schools',
    'curtain',
    `import { school } from './types';
export const curtain = school({
  id: 'curtain', question: 'Curtain?', choices: [{ id: 'up', name: 'up', gains: 'light', costs: 'draught' }],
  default: 'up', because: 'it is up', decides: 'words', source: 'invented',
});
`,
    'curtain',
    'const ALL = [',
  );
  add(
    'assembly/parts',
    'fuse',
    `import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';
export const fuse = partKind({
  kind: 'fuse',
  shape: object({ ...common, kind: kindOf('fuse'), blowsAmps: number().positive() }).noUnknown(),
  leads: () => ['a', 'b'],
  value: (part) => part.blowsAmps,
});
`,
    'fuse',
    'const KINDS = [',
  );
  add(
    'model/parts',
    'fuse',
    `import { partModel } from './model';
export const fuse = partModel({
  kind: 'fuse',
  elements: (part, { at }) => [{ kind: 'resistor', id: 'R_' + part.id, a: at('a'), b: at('b'), ohms: 0.2 }],
  passes: () => [['a', 'b']],
  measures: () => [{ between: ['a', 'b'], ohms: 0.2 }],
});
`,
    'fuse',
    'const ALL: readonly PartModel[] = [',
  );
  add(
    'assembly/part-words',
    'fuse',
    `import { partWords } from './words';
export const fuse = partWords({ kind: 'fuse', name: 'fuse', value: (part) => part.blowsAmps + ' A' });
`,
    'fuse',
    'const ALL: readonly PartWords[] = [',
  );
  add(
    'assembly/dressings',
    'gaffer',
    `import { dressing } from './kind';
export const gaffer = dressing({ what: 'gaffer', name: 'Gaffer tape', is: 'mark', goesOn: 'end', closed: 'at once' });
`,
    'gaffer',
    'export const DRESSINGS = [',
  );
  add(
    'wiring/recipes',
    'encore',
    `import { connect } from '../connect';
import { lay } from '../lay';
import { wired, type Recipe } from './types';
export const encore: Recipe = {
  id: 'encore', name: 'encore', source: 'invented',
  suits: (ask) => ask.intent.from[0]?.family === 'velvet3'
    ? { is: 'right', why: 'Velvet at the source.', rank: 9 }
    : { is: 'other', why: 'No velvet.' },
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    d.part(ask.ends[1].body, { id: 'F1', kind: 'fuse', blowsAmps: 0.5 });
    d.dress({ id: 'gaffer', what: 'gaffer', over: 'W1', says: 'a turn of gaffer' });
    return wired;
  },
};
`,
    'encore',
    'export const RECIPES: readonly Recipe[] = [',
  );
  const { status, stderr } = spawnSync(
    path.join(root, 'node_modules', '.bin', 'esbuild'),
    [
      path.join(copy, 'src/cli/antler.ts'),
      '--bundle',
      '--platform=node',
      '--format=esm',
      `--outfile=${bundle}`,
      '--log-level=error',
    ],
    { encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(stderr);
}, 60_000);
afterAll(() => rmSync(copy, { recursive: true, force: true }));

describe('one file and one entry of the index', () => {
  it('make a connector, a cable, a school and a recipe known', () => {
    const { connectors, cables } = run(['catalogue']) as Record<string, { id: string }[]>;
    expect(connectors?.map((each) => each.id)).toContain('velvet3-plug');
    expect(cables?.map((each) => each.id)).toContain('silk');
    expect((run(['schools']) as { id: string }[]).map((each) => each.id)).toContain('curtain');
    expect((run(['recipes']) as { id: string }[]).map((each) => each.id)).toContain('encore');
  });

  it('and a lead is made of them', () => {
    const lead = run(
      ['derive', '-'],
      JSON.stringify({
        version: 3,
        from: [{ port: 'line-transformer', family: 'velvet3' }],
        to: [{ port: 'line-input', family: 'xlr3' }],
        length: { mm: 1000, datum: 'face' },
        surroundings: 'rack',
        cable: 'silk',
        schools: {},
      }),
    ) as { because: { recipe: { id: string } }; schools: Record<string, string> };
    expect(lead.because.recipe.id).toBe('encore');
    expect(lead.schools['curtain']).toBe('up');
    const { nets, parts } = run(['netlist', '-'], JSON.stringify(lead)) as {
      nets: Record<string, string[]>;
      parts: unknown[];
    };
    expect(parts).toMatchObject([{ id: 'F1', kind: 'fuse', value: 0.5 }]);
    const { items } = run(['kit', '-'], JSON.stringify(lead)) as { items: { what: string }[] };
    expect(items.map((line) => line.what)).toEqual(expect.arrayContaining(['fuse 0.5 A', 'Gaffer tape']));
    expect(Object.values(nets).filter((net) => net.length > 1)).toEqual([
      ['A.1', 'B.2'],
      ['A.2', 'B.3'],
      ['A.3', 'B.1'],
    ]);
  });
});
