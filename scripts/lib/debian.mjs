import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { passOn } from './run.mjs';
import { giveUp, say } from './say.mjs';

const isRoot = () => process.getuid?.() === 0;

/** Installs Debian packages, as root; otherwise says plainly which are missing. */
async function install(what, packages) {
  const plainly = `${what} is missing. Install it with:  sudo apt-get install ${packages.join(' ')}`;
  if (!isRoot() || spawnSync('apt-get', ['--version']).status !== 0) giveUp(plainly);
  say(`installing ${packages.join(', ')}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] };
  await passOn('apt-get', ['-qq', 'update'], quiet);
  const code = await passOn(
    'apt-get',
    ['-qq', '-y', '--no-install-recommends', 'install', ...packages],
    quiet,
  );
  if (code !== 0) giveUp(plainly);
}

/** The folder of PostgreSQL's server programs, newest first; installs the server where there is none. */
export async function ensurePostgres(under = '/usr/lib/postgresql') {
  const found = findPostgres(under);
  if (found) return found;
  if (isRoot()) {
    // Debian would make and start a cluster of its own on installing: ours is enough.
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.d/antler.conf', 'create_main_cluster = false\n');
  }
  await install('PostgreSQL', ['postgresql']);
  return findPostgres(under) ?? giveUp(`PostgreSQL was installed, but its programs are not under ${under}.`);
}

function findPostgres(under) {
  const versions =
    spawnSync('ls', [under], { encoding: 'utf8' })
      .stdout?.split('\n')
      .filter((v) => /^\d+$/.test(v)) ?? [];
  return versions
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => path.join(under, version, 'bin'))
    .find((bin) => existsSync(`${bin}/postgres`) && existsSync(`${bin}/initdb`));
}

/** Debian's Chromium, for the browser tests. */
export async function ensureChromium() {
  if (!existsSync('/usr/bin/chromium')) await install('Chromium', ['chromium']);
  return '/usr/bin/chromium';
}

/** Debian's circuit simulator, which the circuit core is compared with. */
export async function ensureNgspice() {
  if (!existsSync('/usr/bin/ngspice')) await install('ngspice', ['ngspice']);
  return '/usr/bin/ngspice';
}

/** Debian's solver of linear and whole-number programs, which plans are compared with. */
export async function ensureGlpsol() {
  if (!existsSync('/usr/bin/glpsol')) await install('glpsol', ['glpk-utils']);
  return '/usr/bin/glpsol';
}

/** Debian's own renderers of SVG and of PDF, which drawings are looked at with. */
export async function ensureRenderers() {
  if (!existsSync('/usr/bin/rsvg-convert')) await install('rsvg-convert', ['librsvg2-bin']);
  if (!existsSync('/usr/bin/pdftoppm')) await install('pdftoppm', ['poppler-utils']);
}
