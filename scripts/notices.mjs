// `npm run notices`: writes docs/notices.md, the licences of what is installed to run Antler. With --check it only looks
// whether the page is up to date. Exit 1 where a licence is not one of those that are known to be fine.
import { readFileSync, writeFileSync } from 'node:fs';
import { isFine, page, shippedHere } from './lib/licences.mjs';
import { inProject } from './lib/project.mjs';
import { giveUp, say } from './lib/say.mjs';

const packages = shippedHere();
const unknown = packages.filter(({ license }) => !isFine(license));
if (unknown.length > 0)
  giveUp(
    `the licence of ${unknown.map(({ name, license }) => `${name} (${license})`).join(', ')} is not one that is known to be fine: look at it, and at scripts/lib/licences.mjs.`,
  );
const file = inProject('docs', 'notices.md');
const wanted = page(packages);
if (!process.argv.includes('--check')) writeFileSync(file, wanted);
else if (readFileSync(file, 'utf8') !== wanted) giveUp('docs/notices.md is not up to date: npm run notices');
say(`${packages.length} packages, every licence known`);
