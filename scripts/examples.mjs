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
say(`${intents.length} leads and ${Object.keys(schemas).length} schemas written`);
