import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { inProject } from './project.mjs';

/** Licences under which something may be passed on with Antler. */
const FINE = [
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'CC0-1.0',
  'CC-BY-4.0',
  'ISC',
  'LGPL-3.0-or-later',
  'MIT',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
];
/** Whether every part of an “and”, and one part of an “or”, is fine. */
export const isFine = (licence) =>
  licence
    .replace(/[()]/g, '')
    .split(/ AND /i)
    .every((part) => part.split(/ OR /i).some((one) => FINE.includes(one.trim())));

/** The licence that a package's own folder says. */
function saidIn(place) {
  const text = licenceText(place);
  return /^\s*(?:the )?MIT licen[cs]e/i.test(text) ? 'MIT' : 'unknown';
}

/** The text of a package's licence, from its own folder; nothing where it is not installed here or has none. */
export function licenceText(place) {
  const folder = inProject(...place.split('/'));
  const name = existsSync(folder) && readdirSync(folder).find((each) => /^(licen[cs]e|copying)/i.test(each));
  return name ? readFileSync(`${folder}/${name}`, 'utf8').trim() : '';
}

/** What is installed to run Antler, from a lock file: not what is only for building and testing it. */
export const shipped = (lock) =>
  Object.entries(lock.packages)
    .filter(([place, { dev, link }]) => place.startsWith('node_modules/') && !dev && !link)
    .map(([place, { version, license }]) => ({
      name: place.slice(place.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version,
      // A few say it in their folder only.
      license: license ?? saidIn(place),
      place,
    }))
    .filter(
      (each, n, all) =>
        all.findIndex((other) => other.name === each.name && other.version === each.version) === n,
    )
    .sort((a, b) => (`${a.name} ${a.version}` < `${b.name} ${b.version}` ? -1 : 1));

/** The page that says whose work Antler stands on. */
export function page(packages) {
  const licences = [...new Set(packages.map(({ license }) => license))].sort();
  return `# Notices

Antler runs on the work of others. What \`npm ci\` installs to run it, by licence. The app serves the texts at \`/notices.txt\`.

${licences
  .map(
    (licence) =>
      `## ${licence}\n\n${packages
        .filter((each) => each.license === licence)
        .map(({ name, version }) => `- ${name} ${version}`)
        .join('\n')}\n`,
  )
  .join('\n')}`;
}

/** Whose work is sent to browsers and runs in the server, each with the text of its licence. */
export const notices = (packages) =>
  packages
    .map(({ name, version, license, place }) =>
      [`${name} ${version} (${license})`, licenceText(place)].filter(Boolean).join('\n\n'),
    )
    .join(`\n\n${'-'.repeat(80)}\n\n`);

/** What is installed to run Antler, by the lock file. */
export const shippedHere = () => shipped(JSON.parse(readFileSync(inProject('package-lock.json'), 'utf8')));
