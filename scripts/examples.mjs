// Writes what every example derives to, and the JSON Schemas of the documents, from the code as it is.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ensureCli } from './lib/cli.mjs';
import { inProject } from './lib/project.mjs';
import { say } from './lib/say.mjs';

const cli = ensureCli();
const antler = (...args) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [cli, ...args], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (status !== 0) throw new Error(`${args.join(' ')}: ${stderr}`);
  return JSON.parse(stdout);
};

const leads = inProject('examples', 'leads');
rmSync(leads, { recursive: true, force: true });
mkdirSync(leads, { recursive: true });
const intents = readdirSync(inProject('examples', 'intents')).filter((file) => file.endsWith('.json'));
for (const file of intents) {
  const lead = antler('derive', inProject('examples', 'intents', file));
  writeFileSync(path.join(leads, file), `${JSON.stringify(lead)}\n`);
}
/** A kit as a builder reads it in the store room: what to take, what to have, what to cut and to take off. */
const kitOf = (file) => {
  const { items, cuts, partings, strips } = antler('kit', path.join(leads, file));
  const lines = [
    ...items.map(
      ({ count, what, detail, owned }) => `${owned ? 'have' : 'take'} ${count} × ${what}: ${detail}`,
    ),
    ...cuts.flatMap(({ span, total, wires }) => [
      `cut ${span} ${Math.round(total)} mm`,
      ...(wires ?? []).map(({ id, mm }) => `cut ${span} ${id} ${Math.round(mm)} mm`),
    ]),
    ...partings.map(({ trunk, jacketMm }) => `part ${trunk}: ${Math.round(jacketMm)} mm of jacket off`),
    ...strips.map(
      ({ end, span, jacket, conductors }) =>
        `strip ${end} ${span} (${jacket}): ${conductors.map(({ id, mm, bareMm }) => `${id} ${mm}/${bareMm}`).join(', ')}`,
    ),
  ];
  return `## ${file.replace('.json', '')}\n\n${lines.map((line) => `- ${line}`).join('\n')}\n`;
};
writeFileSync(
  inProject('examples', 'kits.md'),
  `# Kits of the examples

What each lead of \`leads/\` is made of, to the wire: written by \`npm run examples\` and read by eye after each change. Strips: length from the jacket’s edge / bared, mm.

${intents.map(kitOf).join('\n')}`,
);
/** The course of work as a builder reads it, from top to bottom. */
const courseOf = (file) => {
  const { steps } = antler('bench', path.join(leads, file));
  const said = steps.map(({ title, detail, gate = [], caution, seconds }) =>
    [
      `${title}${seconds ? ` (${seconds} s)` : ''}`,
      ...detail.map((line) => `   ${line}`),
      ...gate.map((line) => `   ☐ ${line}`),
      ...(caution ? [`   ! ${caution}`] : []),
    ].join('\n'),
  );
  return `## ${file.replace('.json', '')}\n\n${said.map((step, n) => `${n + 1}. ${step}`).join('\n')}\n`;
};
writeFileSync(
  inProject('examples', 'courses.md'),
  `# Courses of work of the examples

How each lead of \`leads/\` is made, step by step: written by \`npm run examples\` and read by eye after each change.

${intents.map(courseOf).join('\n')}`,
);
const schemas = antler('schemas');
for (const [file, schema] of Object.entries(schemas))
  writeFileSync(inProject('docs', 'schemas', file), `${JSON.stringify(schema, null, 2)}\n`);
const rooms = antler('problems');
writeFileSync(
  inProject('docs', 'problems.md'),
  `# Problems

Every problem has a code, a sentence that names the field and the remedy, and the path of the field. The codes by where they arise; a value that does not have the
shape that a document asks is \`shape.\` and what of it is wrong (\`shape.required\`, \`shape.oneOf\`, \`shape.min\` …).

${rooms
  .map(
    ({ title, codes }) =>
      `## ${title}\n\n${Object.entries(codes)
        .map(([code, means]) => `- \`${code}\`: ${means}`)
        .join('\n')}\n`,
  )
  .join('\n')}`,
);
const rules = antler('rules');
writeFileSync(
  inProject('docs', 'findings.md'),
  `# Findings

What may be said against a lead, worst first in each. A lead that was derived, one that was changed by hand and one from a file are judged by the same rules: their witnesses are the
nets, the parts and the situation. Each finding says where, why, what you would hear, with the circuit’s figure where there is one, and what can be done; a remedy is offered where it clears it.

- **Stop**: it can do harm, or the lead does not do what it is for.
- **Caution**: it works, with a price or a risk that is said.
- **Note**: worth knowing, nothing to mend.

${rules.map(({ id, what, source }) => `- \`${id}\`: ${what} (${source})`).join('\n')}

Every rule has the smallest lead that fires it and its nearest neighbour that does not in \`src/core/findings/findings.test.ts\`. What is said against the examples stands in
\`tests/examples/against.ts\`, and \`tests/examples/trial.test.ts\` makes one change at a time to every example and sees that it is found.
`,
);
say(`${intents.length} leads and ${Object.keys(schemas).length} schemas written`);
